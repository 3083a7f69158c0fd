import { Waiting } from '../../ui/kit/Waiting.tsx';
import { Failed } from '../../ui/kit/Failed.tsx';
import { useMemo, useState } from 'react';
import type { BatchPageData } from '../../contracts/batch/batchPage.ts';
import type { LogLine } from '../../contracts/batch/batches.ts';
import type { LedgerRow, LedgerView } from '../../contracts/batch/ledger.ts';
import { EVENT_WORDS } from '../../core/batch/event.ts';
import { freshKey, type Answer } from '../../ui/call.ts';
import { shortDay } from '../../ui/format.ts';
import { DataTable, type TableRow } from '../../ui/kit/DataTable.tsx';
import { DateField } from '../../ui/kit/DateField.tsx';
import { Dialog } from '../../ui/kit/Dialog.tsx';
import { useAnswer } from '../../ui/kit/data.ts';
import { postLine } from '../../ui/logPost.ts';
import { LEDGER } from '../../words/en/ledger.ts';
import { LogForm } from './LogForm.tsx';
import { WORDS } from '../../words/en/batch/ledger.ts';

interface Props {
  readonly initial: LedgerView;
  readonly season: number | null;
}

/** Columns offered as a choice: what was done, where, by whom. */
const CHOICES: readonly string[] = [WORDS.what, WORDS.place, WORDS.by];
const COLUMNS = LEDGER.columns.map((name) => ({
  name,
  isRight: name === 'Number',
  isChoice: CHOICES.includes(name),
}));
/** Lines that say what the program did cannot be corrected by hand. */
const FIXED: readonly string[] = ['withdrawn', 'split-out', 'split-in', 'edited', 'voided', 'restored'];
/** Days of all years stand side by side: each with its year. */
const WITH_YEAR = 0;

/** Everything that was logged: found by day, batch, kind and person, and corrected where it stands. */
export function Ledger({ initial, season }: Props) {
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [correcting, setCorrecting] = useState<LedgerRow | null>(null);
  const [said, setSaid] = useState('');
  const first = from === '' && to === '';
  const path = `/api/batch/ledger?season=${season ?? ''}&from=${from}&to=${to}`;
  const answer = useAnswer<LedgerView>(path, first ? initial : undefined);
  const { count, lines } = answer.data ?? initial;
  const byId = useMemo(() => new Map(lines.map((line) => [String(line.id), line])), [lines]);
  const rows = useMemo((): TableRow[] => lines.map(rowOf), [lines]);
  return (
    <div data-ready={!answer.isFetching}>
      <p role="status" aria-live="polite" className={said ? 'note-bar my-2' : 'sr-only'}>
        {said}
      </p>
      <div className="no-print mb-3 flex flex-wrap gap-3">
        <div className="w-44">
          <DateField id="ledger-from" label={LEDGER.from} value={from} onValue={setFrom} />
        </div>
        <div className="w-44">
          <DateField id="ledger-to" label={LEDGER.to} value={to} onValue={setTo} />
        </div>
        {lines.length < count && (
          <p className="self-end text-[0.92rem] text-ink2">{LEDGER.newestOf(lines.length, count)}</p>
        )}
      </div>
      {answer.error && <Failed words={answer.error.message} onAgain={() => void answer.refetch()} />}
      <DataTable
        label={LEDGER.title}
        file="ledger"
        columns={COLUMNS}
        rows={rows}
        action={({ id }) => {
          const line = byId.get(id);
          if (!line || !line.counts || !line.isOpen || FIXED.includes(line.kind)) return null;
          return (
            <button
              type="button"
              className="link-btn min-h-11 min-w-11"
              aria-label={LEDGER.correctLine(line.id)}
              onClick={() => setCorrecting(line)}
            >
              {LEDGER.correct}
            </button>
          );
        }}
      />
      <Dialog
        open={correcting !== null}
        onOpenChange={(open) => !open && setCorrecting(null)}
        title={correcting ? `${LEDGER.correctLine(correcting.id)}: ${correcting.batch}` : LEDGER.correct}
      >
        {correcting && (
          <CorrectLine
            line={correcting}
            onDone={() => {
              setCorrecting(null);
              setSaid(LEDGER.corrected);
            }}
          />
        )}
      </Dialog>
    </div>
  );
}

function rowOf(line: LedgerRow): TableRow {
  const what = EVENT_WORDS[line.kind];
  return {
    id: String(line.id),
    isStruck: !line.counts,
    cells: [
      { text: String(line.id), sort: line.id },
      { text: shortDay(line.day, WITH_YEAR), sort: line.day },
      { text: line.batch, href: `/batch/${line.batchId}` },
      { text: line.code },
      { text: what },
      { text: line.count === null ? '' : String(line.count), sort: line.count ?? '' },
      { text: line.place },
      {
        text: [line.correctsId === null ? '' : LEDGER.corrects(line.correctsId), line.note, line.tapped]
          .filter(Boolean)
          .join('; '),
      },
      { text: line.by },
    ],
  };
}

/** A line corrected in place: the form of its batch's page, with what it takes read when it is opened. */
function CorrectLine({ line, onDone }: { readonly line: LedgerRow; readonly onDone: () => void }) {
  const { data, error, refetch } = useAnswer<BatchPageData>(`/api/batch/${line.batchId}/page`);
  const event = data?.events.find(({ id }) => id === line.id);
  async function post(typed: Omit<LogLine, 'idempotencyKey'>): Promise<Answer<unknown>> {
    const answer = await postLine(line.batchId, { idempotencyKey: freshKey(), ...typed });
    if (answer.kind === 'problem' || answer.kind === 'offline') return answer;
    onDone();
    return { kind: 'done', value: null };
  }
  if (error) return <Failed words={error.message} onAgain={() => void refetch()} />;
  if (!data || !event) return <Waiting words={LEDGER.reading} />;
  return <LogForm data={data} correcting={event} onPost={post} />;
}
