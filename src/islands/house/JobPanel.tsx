import { DateField } from '../../ui/kit/DateField.tsx';
import { useId, useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { dayNow } from '../../ui/today.ts';
import type { RoundJob } from '../../contracts/house/roundView.ts';
import { counted } from '../../ui/format.ts';
import type { LogLine } from '../../contracts/batch/batches.ts';
import { WORDS } from '../../words/en/house/jobPanel.ts';

interface Props {
  readonly job: RoundJob;
  readonly today: number;
  /** Logs and answers null, or what was wrong. */
  readonly onLog: (line: Omit<LogLine, 'idempotencyKey'>, said: string) => Promise<string | null>;
}

/** The job in hand: number large enough to read at arm's length, the day, a note, and what the number means. */
export function JobPanel({ job, today, onLog }: Props) {
  const id = useId();
  const [count, setCount] = useState(job.count ?? 0);
  const [day, setDay] = useState(isoFromDay(dayNow(today)));
  const [note, setNote] = useState('');
  const [wrong, setWrong] = useState('');
  const looking = job.kind === 'look';
  const counting = job.count !== null && job.kind !== 'rung';
  const half = looking && job.expected_count !== null && count >= job.expected_count / 2;

  async function save(kind: LogLine['kind'], said: string): Promise<void> {
    const line = {
      kind,
      day,
      count: job.eventKind === 'held' ? 1 : job.kind === 'rung' ? job.count : counting ? count : null,
      note,
      ...(kind === job.eventKind ? { cause: job.cause } : {}),
    };
    setWrong((await onLog(line, said)) ?? '');
  }

  const clamp = (n: number) => Math.min(Math.max(0, n), job.max_count ?? 1_000_000);
  return (
    <div className="card" data-typing>
      <h2>
        {job.words}: {job.name}
      </h2>
      <p className="text-ink2">
        {WORDS.code(counted(job.trays, WORDS.tray), job.code, job.toPlace && WORDS.to(job.toPlace))}
      </p>
      {counting && (
        <>
          <div className="mt-4 grid grid-cols-[76px_1fr_76px] items-center gap-2 text-center">
            <button
              type="button"
              className="btn h-19 text-3xl"
              aria-label={WORDS.oneFewer}
              onClick={() => setCount(clamp(count - 1))}
            >
              −
            </button>
            <div>
              <input
                aria-label={WORDS.number(job.countWord)}
                className="num w-full bg-transparent text-center text-6xl"
                inputMode="numeric"
                value={count}
                onChange={(e) => setCount(Number(e.target.value.replace(/\D/g, '').slice(0, 7)))}
              />
              <p className="text-ink2">
                {job.countWord}
                {job.sown_count !== null && looking && WORDS.of(job.sown_count)}
              </p>
            </div>
            <button
              type="button"
              className="btn h-19 text-3xl"
              aria-label={WORDS.oneMore}
              onClick={() => setCount(clamp(count + 1))}
            >
              +
            </button>
          </div>
          <div className="mt-3 grid grid-cols-3 gap-2">
            <button type="button" className="btn" onClick={() => setCount(clamp(count + 5))}>
              +5
            </button>
            <button type="button" className="btn" onClick={() => setCount(clamp(count + 25))}>
              +25
            </button>
            <button
              type="button"
              className="btn"
              onClick={() => setCount(clamp(looking ? (job.expected_count ?? count) : (job.count ?? count)))}
            >
              {looking ? WORDS.allExpected : WORDS.asPlanned}
            </button>
          </div>
        </>
      )}
      {looking && job.expected_count !== null && (
        <p className="note-bar mt-4">
          {half ? (
            <>{WORDS.ofAboutExpectedSaveThen(<strong key="1">{WORDS.halfAreUp}</strong>, count, job.expected_count)}</>
          ) : (
            <>
              {WORDS.aboutOfAreExpectedIn(
                <strong key="2">{WORDS.halfUpAt(Math.ceil(job.expected_count / 2))}</strong>,
                job.expected_count,
                job.sown_count,
              )}
            </>
          )}
        </p>
      )}
      <div className="mt-4 grid grid-cols-2 gap-3">
        <DateField
          id={`${id}day`}
          label={WORDS.dayItWasDone}
          max={isoFromDay(dayNow(today))}
          value={day}
          onValue={setDay}
        />
        <div className="field">
          <label htmlFor={`${id}note`}>{WORDS.note}</label>
          <input
            id={`${id}note`}
            className="input"
            value={note}
            maxLength={2000}
            onChange={(e) => setNote(e.target.value)}
          />
        </div>
      </div>
      {wrong && (
        <p role="alert" className="note-bar bad mt-3">
          {wrong}
        </p>
      )}
      <div className="mt-4 grid grid-cols-1 gap-2">
        {looking ? (
          <button
            type="button"
            className="btn solid min-h-12"
            onClick={() =>
              void save(half ? 'emerged' : 'counted', half ? WORDS.halfUpCounted(count) : WORDS.counted(count))
            }
          >
            {half ? WORDS.saveHalfUpWith(count) : WORDS.saveUp(count)}
          </button>
        ) : (
          <button type="button" className="btn solid min-h-12" onClick={() => void save(job.eventKind, 'logged')}>
            {WORDS.log(job.words.toLowerCase())}
          </button>
        )}
      </div>
    </div>
  );
}
