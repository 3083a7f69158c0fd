import { inUse } from '../../core/books/inUse.ts';
import { useId, useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { EVENT_WORDS, type LoggableKind, type Phase } from '../../core/batch/event.ts';
import type { BatchPageData } from '../../contracts/batch/batchPage.ts';
import type { EventRecord } from '../../core/batch/record.ts';
import { Field, SelectField } from '../../ui/Field.tsx';
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
  readonly onPost: (line: Omit<LogLine, 'idempotencyKey'>) => Promise<string | null>;
}

/** Logs anything that can follow, or corrects a line with one of the same kind. */
export function LogForm({ data, correcting, onPost }: Props) {
  const id = useId();
  const kinds = correcting ? [correcting.kind as LoggableKind] : NEXT[data.phase];
  const [kind, setKind] = useState<LoggableKind>(kinds[0]!);
  const [count, setCount] = useState(correcting?.count === null || !correcting ? '' : String(correcting.count));
  const [placeId, setPlaceId] = useState<number | null>(correcting?.placeId ?? null);
  const [day, setDay] = useState(isoFromDay(correcting?.day ?? data.today));
  const [note, setNote] = useState(correcting?.note ?? '');
  const [wrong, setWrong] = useState('');

  async function save(): Promise<void> {
    const number = count.trim() === '' ? null : Number(count);
    const line = {
      kind,
      day,
      count: WITH_COUNT.includes(kind) ? number : null,
      placeId,
      note,
      cause: correcting?.cause ?? '',
      correctsId: correcting?.id ?? null,
    };
    setWrong((await onPost(line)) ?? '');
  }

  return (
    <form
      noValidate
      className="grid grid-cols-1 gap-3 min-[600px]:grid-cols-2"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <div className="field">
        <label htmlFor={`${id}k`}>{WORDS.whatHappened}</label>
        <select
          id={`${id}k`}
          className="input"
          value={kind}
          disabled={kinds.length === 1}
          onChange={(e) => setKind(e.target.value as LoggableKind)}
        >
          {kinds.map((k) => (
            <option key={k} value={k}>
              {EVENT_WORDS[k]}
            </option>
          ))}
        </select>
      </div>
      <Field id={`${id}d`} label={WORDS.day} type="date" value={day} max={isoFromDay(data.today)} onValue={setDay} />
      {WITH_COUNT.includes(kind) && (
        <Field
          id={`${id}n`}
          label={kind === 'rung' ? WORDS.rung : WORDS.howMany}
          inputMode="numeric"
          value={count}
          onValue={setCount}
        />
      )}
      {kind !== 'note' && (
        <SelectField
          id={`${id}p`}
          label={WORDS.place}
          value={placeId}
          none={kind === 'moved' ? 'choose' : WORDS.asPlanned}
          options={inUse(data.places)}
          onValue={setPlaceId}
        />
      )}
      <Field id={`${id}t`} label={WORDS.note} value={note} maxLength={2000} onValue={setNote} />
      {wrong && (
        <p role="alert" className="note-bar bad col-span-full">
          {wrong}
        </p>
      )}
      <button type="submit" className="btn solid col-span-full">
        {correcting ? WORDS.saveTheCorrection : WORDS.saveTheLine}
      </button>
    </form>
  );
}
