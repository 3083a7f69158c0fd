import { useEffect, useId, useState } from 'react';
import { dayFromIso, isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { RoundJob, RoundView } from '../../contracts/house/roundView.ts';
import { onPaper } from './onPaper.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { doOrKeep, type ToDo } from '../../ui/logPost.ts';
import { DateField } from '../../ui/kit/DateField.tsx';
import { dayNow } from '../../ui/today.ts';
import { WORDS } from '../../words/en/house/paper.ts';
import type { WaterTray } from '../../contracts/watering/water.ts';
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

/** A line of the paper: a job, or trays that want water. */
interface PaperLine {
  readonly key: string;
  readonly title: string;
  readonly code: string;
  /** Figure it begins with; null: none is asked for. */
  readonly number: number | null;
  toDo(idempotencyKey: string, day: string, number: number): ToDo;
}

const ofJob = (job: RoundJob): PaperLine => ({
  key: job.key,
  title: titleOf(job),
  code: job.code,
  number: job.kind === 'rung' ? null : job.count,
  toDo(idempotencyKey, day, number) {
    const about = { words: titleOf(job), job: job.key };
    if (job.batchId === null || job.eventKind === null)
      return { ...about, path: '/api/house/round/lines', body: { idempotencyKey, kind: 'done', jobKey: job.key, day } };
    const counting = job.count !== null && job.kind !== 'rung';
    const count = job.eventKind === 'held' ? 1 : counting ? number : job.count;
    const body = { idempotencyKey, kind: job.eventKind, day, count, cause: job.cause };
    return { ...about, path: `/api/batch/${job.batchId}/events`, body, batchId: job.batchId };
  },
});

const ofWater = ({ batchId, name, code, feed }: WaterTray): PaperLine => ({
  key: `water ${batchId}`,
  title: WORDS.waterTo(name),
  code,
  number: null,
  toDo: (idempotencyKey) => ({
    words: WORDS.waterTo(name),
    path: '/api/watering/lines',
    body: { idempotencyKey, kind: 'watered', batchIds: [batchId], fedIds: feed ? [batchId] : [] },
    batchId,
  }),
});

/** What was done on paper, typed in with its times: each job once, as it was done then. */
export function PaperRound({ view }: { readonly view: RoundView }) {
  const id = useId();
  const lines = view.places.flatMap((place) => [...place.jobs.map(ofJob), ...onPaper(place.water).map(ofWater)]);
  const [typed, setTyped] = useState<Readonly<Record<string, Typed>>>({});
  const [wrong, setWrong] = useState<Readonly<Record<string, string>>>({});
  const [gone, setGone] = useState<ReadonlyMap<string, string>>(new Map());
  const [said, setSaid] = useState('');
  const [keys, setKeys] = useState<Readonly<Record<string, string>>>({});
  const [day, setDay] = useState(isoFromDay(view.today));
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const of = (line: PaperLine): Typed =>
    typed[line.key] ?? { done: false, time: '', number: line.number === null ? '' : String(line.number) };
  const put = (line: PaperLine, change: Partial<Typed>) =>
    setTyped({ ...typed, [line.key]: { ...of(line), ...change } });
  const open = lines.filter((line) => !gone.has(line.key));
  const chosen = open.filter((line) => of(line).done);
  /** Minutes from a time of the day on the paper to now; under 0: it is still to come, null: no time. */
  const agoOf = (time: string): number | null => {
    const today = isoFromDay(dayNow(view.today));
    const minute = time.trim() === '' ? (day === today ? view.minute : DAY_min - 1) : minuteOf(time);
    const days = dayNow(view.today) - (dayFromIso(day) ?? Infinity);
    return minute === null ? null : days * DAY_min + view.minute - minute;
  };

  function faults(): Record<string, string> {
    const found: Record<string, string> = {};
    for (const line of chosen) {
      const { time, number } = of(line);
      const ago = agoOf(time);
      if (ago === null || ago < 0) found[line.key] = WORDS.timeLike;
      else if (line.number !== null && !/^\d{1,7}$/.test(number.trim())) found[line.key] = WORDS.numberLike;
    }
    return found;
  }

  async function save(): Promise<void> {
    const found = faults();
    setWrong(found);
    if (Object.keys(found).length > 0) return setSaid(WORDS.lookAgain);
    // One key for each job until it is taken: saved twice, it is written once.
    const mine = { ...keys };
    for (const { key } of chosen) mine[key] ??= freshKey();
    setKeys(mine);
    const next = new Map(gone);
    // In the order of their times, as they were done.
    const ago = (line: PaperLine) => agoOf(of(line).time) ?? 0;
    for (const line of [...chosen].sort((a, b) => ago(b) - ago(a))) {
      // Within the minute that was typed, whatever the way to the server takes.
      const ago_ms = Math.max(0, ago(line) * 60_000 - 1_000);
      const answer = await doOrKeep({ ...line.toDo(mine[line.key]!, day, Number(of(line).number)), ago_ms });
      if (answer.kind === 'problem' || answer.kind === 'offline') found[line.key] = trouble(answer);
      else next.set(line.key, answer.kind === 'kept' ? WORDS.kept : WORDS.done);
    }
    setGone(next);
    setWrong(found);
    const failed = Object.keys(found).length;
    setSaid(failed > 0 ? WORDS.notTaken(failed) : WORDS.saved(chosen.length));
  }

  if (lines.length === 0) return null;
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
        {open.map((line, i) => {
          const { key, title, code } = line;
          const { done, time, number } = of(line);
          return (
            <li key={key} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line py-1.5">
              <label className="flex min-h-12 min-w-64 flex-1 items-center gap-3" htmlFor={`${id}d${i}`}>
                <input
                  id={`${id}d${i}`}
                  type="checkbox"
                  className="h-6 w-6"
                  aria-label={WORDS.isDone(title)}
                  checked={done}
                  onChange={(e) => put(line, { done: e.target.checked })}
                />
                <span>
                  {title} <span className="text-ink2">{code}</span>
                </span>
              </label>
              {line.number !== null && (
                <input
                  className="input w-24"
                  inputMode="numeric"
                  aria-label={WORDS.numberOf(title)}
                  placeholder={WORDS.number}
                  value={number}
                  onChange={(e) => put(line, { number: e.target.value, done: true })}
                />
              )}
              <input
                className="input w-24"
                inputMode="numeric"
                aria-label={WORDS.timeOf(title)}
                aria-invalid={wrong[key] !== undefined}
                placeholder={WORDS.time}
                value={time}
                onChange={(e) => put(line, { time: e.target.value, done: true })}
              />
              {wrong[key] && (
                <p role="alert" className="w-full text-brick">
                  {wrong[key]}
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
