import { useEffect, useId, useState } from 'react';
import { dayFromIso, isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { RoundJob, RoundView } from '../../contracts/house/roundView.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { doOrKeep, type ToDo } from '../../ui/logPost.ts';
import { DateField } from '../../ui/kit/DateField.tsx';
import { dayNow } from '../../ui/today.ts';
import { WORDS } from '../../words/en/house/paper.ts';
import { titleOf } from './useRoundLog.ts';

interface Typed {
  readonly done: boolean;
  readonly time: string;
  readonly number: string;
}

const DAY_min = 24 * 60;

/** Minutes since midnight of "7:40", "07.40" or "740"; null: no time. */
export function minuteOf(text: string): number | null {
  const found = /^\s*(\d{1,2})[:.\s]?(\d{2})\s*$/.exec(text);
  if (!found) return null;
  const [hour, minute] = [Number(found[1]), Number(found[2])];
  return hour < 24 && minute < 60 ? 60 * hour + minute : null;
}

/** What was done on paper, typed in with its times: each job once, as it was done then. */
export function PaperRound({ view }: { readonly view: RoundView }) {
  const id = useId();
  const jobs = view.places.flatMap((place) => place.jobs);
  const [typed, setTyped] = useState<Readonly<Record<string, Typed>>>({});
  const [wrong, setWrong] = useState<Readonly<Record<string, string>>>({});
  const [gone, setGone] = useState<ReadonlyMap<string, string>>(new Map());
  const [said, setSaid] = useState('');
  const [keys, setKeys] = useState<Readonly<Record<string, string>>>({});
  const [day, setDay] = useState(isoFromDay(view.today));
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const of = (job: RoundJob): Typed =>
    typed[job.key] ?? { done: false, time: '', number: job.count === null ? '' : String(job.count) };
  const put = (job: RoundJob, change: Partial<Typed>) => setTyped({ ...typed, [job.key]: { ...of(job), ...change } });
  const open = jobs.filter((job) => !gone.has(job.key));
  const chosen = open.filter((job) => of(job).done);
  /** Minutes from a time of the day on the paper to now; under 0: it is still to come, null: no time. */
  const agoOf = (time: string): number | null => {
    const today = isoFromDay(dayNow(view.today));
    const minute = time.trim() === '' ? (day === today ? view.minute : DAY_min - 1) : minuteOf(time);
    const days = dayNow(view.today) - (dayFromIso(day) ?? Infinity);
    return minute === null ? null : days * DAY_min + view.minute - minute;
  };
  const counting = (job: RoundJob) => job.count !== null && job.kind !== 'rung';

  function faults(): Record<string, string> {
    const found: Record<string, string> = {};
    for (const job of chosen) {
      const { time, number } = of(job);
      const ago = agoOf(time);
      if (ago === null || ago < 0) found[job.key] = WORDS.timeLike;
      else if (counting(job) && !/^\d{1,7}$/.test(number.trim())) found[job.key] = WORDS.numberLike;
    }
    return found;
  }

  function lineOf(job: RoundJob, idempotencyKey: string, number: number): ToDo {
    const about = { words: titleOf(job), job: job.key };
    if (job.batchId === null || job.eventKind === null)
      return { ...about, path: '/api/house/round/lines', body: { idempotencyKey, kind: 'done', jobKey: job.key, day } };
    const count = job.eventKind === 'held' ? 1 : counting(job) ? number : job.count;
    const body = { idempotencyKey, kind: job.eventKind, day, count, cause: job.cause };
    return { ...about, path: `/api/batch/${job.batchId}/events`, body, batchId: job.batchId };
  }

  async function save(): Promise<void> {
    const found = faults();
    setWrong(found);
    if (Object.keys(found).length > 0) return setSaid(WORDS.lookAgain);
    // One key for each job until it is taken: saved twice, it is written once.
    const mine = { ...keys };
    for (const job of chosen) mine[job.key] ??= freshKey();
    setKeys(mine);
    const next = new Map(gone);
    // In the order of their times, as they were done.
    const ago = (job: RoundJob) => agoOf(of(job).time) ?? 0;
    for (const job of [...chosen].sort((a, b) => ago(b) - ago(a))) {
      const { number } = of(job);
      const idempotencyKey = mine[job.key]!;
      // Within the minute that was typed, whatever the way to the server takes.
      const ago_ms = Math.max(0, ago(job) * 60_000 - 1_000);
      const answer = await doOrKeep({ ...lineOf(job, idempotencyKey, Number(number)), ago_ms });
      if (answer.kind === 'problem' || answer.kind === 'offline') found[job.key] = trouble(answer);
      else next.set(job.key, answer.kind === 'kept' ? WORDS.kept : WORDS.done);
    }
    setGone(next);
    setWrong(found);
    const failed = Object.keys(found).length;
    setSaid(failed > 0 ? WORDS.notTaken(failed) : WORDS.saved(chosen.length));
  }

  if (jobs.length === 0) return null;
  return (
    <div data-ready={ready} className="no-print max-w-4xl">
      <button type="button" className="btn min-h-12" onClick={() => window.print()}>
        {WORDS.print}
      </button>
      <h2 className="mt-6">{WORDS.typeIn}</h2>
      <div className="mt-2 max-w-60">
        <DateField
          id={`${id}day`}
          label={WORDS.dayOfThePaper}
          max={isoFromDay(dayNow(view.today))}
          value={day}
          onValue={setDay}
        />
      </div>
      <p role="status" className={said ? 'note-bar mt-2' : 'sr-only'}>
        {said}
      </p>
      <ul className="mt-2">
        {open.map((job, i) => {
          const title = titleOf(job);
          const { done, time, number } = of(job);
          return (
            <li key={job.key} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line py-1.5">
              <label className="flex min-h-12 min-w-64 flex-1 items-center gap-3" htmlFor={`${id}d${i}`}>
                <input
                  id={`${id}d${i}`}
                  type="checkbox"
                  className="h-6 w-6"
                  aria-label={WORDS.isDone(title)}
                  checked={done}
                  onChange={(e) => put(job, { done: e.target.checked })}
                />
                <span>
                  {title} <span className="text-ink2">{job.code}</span>
                </span>
              </label>
              {counting(job) && (
                <input
                  className="input w-24"
                  inputMode="numeric"
                  aria-label={WORDS.numberOf(title)}
                  placeholder={WORDS.number}
                  value={number}
                  onChange={(e) => put(job, { number: e.target.value, done: true })}
                />
              )}
              <input
                className="input w-24"
                inputMode="numeric"
                aria-label={WORDS.timeOf(title)}
                aria-invalid={wrong[job.key] !== undefined}
                placeholder={WORDS.time}
                value={time}
                onChange={(e) => put(job, { time: e.target.value, done: true })}
              />
              {wrong[job.key] && (
                <p role="alert" className="w-full text-brick">
                  {wrong[job.key]}
                </p>
              )}
            </li>
          );
        })}
      </ul>
      <button
        type="button"
        className="btn solid mt-4 min-h-14"
        disabled={chosen.length === 0}
        onClick={() => void save()}
      >
        {WORDS.saveAll(chosen.length)}
      </button>
    </div>
  );
}
