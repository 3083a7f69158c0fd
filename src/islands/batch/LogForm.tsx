import { inUse } from '../../core/books/inUse.ts';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { EVENT_WORDS, type LoggableKind, type Phase } from '../../core/batch/event.ts';
import type { BatchPageData } from '../../contracts/batch/batchPage.ts';
import type { EventRecord } from '../../core/batch/record.ts';
import type { Answer } from '../../ui/call.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { TypedForm } from '../../ui/kit/TypedForm.tsx';
import type { LogLine } from '../../contracts/batch/batches.ts';
import { WORDS } from '../../words/en/batch/logForm.ts';

/** What can be logged next, the likeliest first. */
const NEXT: Readonly<Record<Phase, readonly LoggableKind[]>> = {
  planned: ['sown', 'treated', 'note'],
  sown: ['counted', 'emerged', 'off-heat', 'moved', 'note'],
  emerged: ['off-heat', 'counted', 'potted', 'moved', 'note'],
  growing: ['potted', 'counted', 'hardening-started', 'moved', 'note'],
  potted: ['spaced', 'watered', 'hardening-started', 'moved', 'planted-out', 'note'],
  hardening: ['rung', 'planted-out', 'moved', 'note'],
  planted: ['note'],
  ended: ['note'],
};
const WITH_COUNT: readonly LoggableKind[] = [
  'sown',
  'counted',
  'emerged',
  'potted',
  'moved-on',
  'rung',
  'planted-out',
  'lost',
];

interface Props {
  readonly data: BatchPageData;
  readonly correcting?: EventRecord;
  readonly onPost: (line: Omit<LogLine, 'idempotencyKey'>) => Promise<Answer<unknown>>;
}

/** Logs anything that can follow, or corrects a line with one of the same kind. */
export function LogForm({ data, correcting, onPost }: Props) {
  const kinds = correcting ? [correcting.kind as LoggableKind] : NEXT[data.phase];
  const places = inUse(data.places).map(({ id, name }) => [id, name] as const);
  const fields: readonly FieldSpec[] = [
    { key: 'kind', label: WORDS.whatHappened, kind: 'choice', options: kinds.map((k) => [k, EVENT_WORDS[k]]) },
    { key: 'day', label: WORDS.day, kind: 'date', max: isoFromDay(data.today) },
    {
      key: 'count',
      label: correcting?.kind === 'rung' ? WORDS.rung : WORDS.howMany,
      kind: 'number',
      optional: true,
      when: { key: 'kind', is: WITH_COUNT },
    },
    {
      key: 'placeId',
      label: WORDS.place,
      kind: 'link',
      optional: true,
      emptyWords: WORDS.asPlanned,
      options: places,
      when: { key: 'kind', isNot: 'note' },
    },
    { key: 'note', label: WORDS.note, kind: 'text', optional: true },
  ];
  return (
    <TypedForm
      columns="grid grid-cols-1 gap-3 min-[600px]:grid-cols-2"
      fields={fields}
      start={{
        kind: kinds[0],
        day: isoFromDay(correcting?.day ?? data.today),
        count: correcting?.count ?? null,
        placeId: correcting?.placeId ?? null,
        note: correcting?.note ?? '',
      }}
      extra={{ cause: correcting?.cause ?? '', correctsId: correcting?.id ?? null }}
      schema={() => import('../../contracts/batch/batches.ts').then((m) => m.eventInput)}
      draft={correcting ? null : `log/${data.id}`}
      send={(body) => onPost(body as Omit<LogLine, 'idempotencyKey'>)}
      said={null}
      saveWords={correcting ? WORDS.saveTheCorrection : WORDS.saveTheLine}
      buttonClass="btn solid mt-3 w-full"
    />
  );
}
