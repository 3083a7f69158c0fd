import { useRef, useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { HeatLook } from '../../core/house/roundLine.ts';
import type { LogLine } from '../../contracts/batch/batches.ts';
import type { RoundLineInput } from '../../contracts/house/round.ts';
import type { RoundJob } from '../../contracts/house/roundView.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { doOrKeep, postLine, type KeptAnswer } from '../../ui/logPost.ts';
import type { Answer } from '../../device/send.ts';
import { dayNow } from '../../ui/today.ts';
import { WORDS } from '../../words/en/house/round.ts';

/** A job that was logged in this sitting, so that it can be undone. */
export interface DoneHere {
  readonly job: RoundJob;
  readonly said: string;
  /** Line of its batch's log, or of the round's own. */
  readonly lineId: number;
}

/** What is logged of a job. */
export interface JobLine {
  readonly kind: LogLine['kind'] | 'done';
  readonly day: string;
  readonly count?: number | null;
  readonly note?: string;
  readonly cause?: string;
  readonly look?: HeatLook;
}

interface RoundLogging {
  readonly done: readonly DoneHere[];
  readonly message: string;
  /** Job on its way. */
  readonly busy: string | null;
  /** Jobs that were logged since the round was last read: it does not know of them yet. */
  readonly away: ReadonlySet<string>;
  /** Logs a job; answers null, or what was wrong. */
  log(job: RoundJob, line: JobLine, said: string): Promise<string | null>;
  undo(item: DoneHere): Promise<void>;
  /** Somebody takes a job, or it is given to somebody, or to nobody (null). */
  give(job: RoundJob, personId: number | null, name: string): Promise<void>;
}

type RoundLineBody = Omit<RoundLineInput, 'idempotencyKey'>;

/** Writes a line of the round, or keeps it on this device. */
function postRoundLine(
  line: RoundLineBody,
  words: string,
  job?: string,
): Promise<Answer<{ lineId: number }> | KeptAnswer> {
  return doOrKeep<{ lineId: number }>({
    path: '/api/house/round/lines',
    body: { idempotencyKey: freshKey(), ...line },
    words,
    ...(job === undefined ? {} : { job }),
  });
}

/**
 * Logs the jobs of a round: a batch's in its log, the house's own in the round's; each once, however often it is tapped.
 * @param timed minutes a job took by the clock on this device; null: it was not timed
 * @param refresh reads the round again
 */
export function useRoundLog(
  today: number,
  timed: (job: RoundJob) => number | null,
  refresh: () => Promise<void>,
): RoundLogging {
  const [done, setDone] = useState<readonly DoneHere[]>([]);
  const [message, setMessage] = useState('');
  const [busy, setBusy] = useState<string | null>(null);
  const sending = useRef(new Set<string>());
  const [away, setAway] = useState<ReadonlySet<string>>(new Set());

  async function post(job: RoundJob, line: JobLine): Promise<Answer<{ lineId: number }> | KeptAnswer> {
    const { kind, look, ...rest } = line;
    if (job.batchId !== null && job.eventKind !== null && kind !== 'done') {
      const answer = await postLine(
        job.batchId,
        { idempotencyKey: freshKey(), kind, ...rest },
        { name: job.name, job: job.key },
      );
      return answer.kind === 'done' ? { kind: 'done', value: { lineId: answer.value.eventId } } : answer;
    }
    return postRoundLine(
      {
        kind: kind === 'held' ? 'held' : 'done',
        jobKey: job.key,
        day: line.day,
        note: line.note ?? '',
        look: look ?? null,
      },
      WORDS.jobAndWhat(titleOf(job), kind === 'held' ? WORDS.putOffToTomorrow : WORDS.done),
      job.key,
    );
  }

  async function log(job: RoundJob, line: JobLine, said: string): Promise<string | null> {
    // A second tap while the first is on its way is not a second line.
    if (sending.current.has(job.key)) return null;
    sending.current.add(job.key);
    setBusy(job.key);
    setAway((all) => new Set([...all, job.key]));
    const answer = await post(job, line);
    sending.current.delete(job.key);
    setBusy(null);
    if (answer.kind !== 'done') isBack(job);
    if (answer.kind === 'problem' || answer.kind === 'offline') {
      setMessage(trouble(answer));
      return trouble(answer);
    }
    setMessage(WORDS.jobSaid(job.name || job.words, said));
    const minutes = line.kind === 'held' ? null : timed(job);
    if (minutes !== null)
      void postRoundLine(
        {
          kind: 'timed',
          jobKey: job.key,
          day: line.day,
          minutes,
          work: job.kind,
          trays: job.trays,
        },
        WORDS.jobAndWhat(titleOf(job), WORDS.timedAt(minutes)),
      );
    // What is kept is drawn from what waits.
    if (answer.kind === 'kept') return null;
    setDone((list) => [...list, { job, said, lineId: answer.value.lineId }]);
    await refresh();
    isBack(job);
    return null;
  }

  function isBack({ key }: RoundJob): void {
    setAway((all) => new Set([...all].filter((one) => one !== key)));
  }

  async function undo(item: DoneHere): Promise<void> {
    const { job, lineId } = item;
    const line = {
      kind: 'withdrawn' as const,
      day: isoFromDay(dayNow(today)),
      correctsId: lineId,
      note: WORDS.undoneOnTheRound,
    };
    const answer =
      job.batchId !== null && job.eventKind !== null
        ? await postLine(job.batchId, { idempotencyKey: freshKey(), ...line })
        : await postRoundLine({ jobKey: job.key, ...line }, WORDS.jobAndWhat(titleOf(job), WORDS.undoneOnTheRound));
    if (answer.kind !== 'done') {
      setMessage(answer.kind === 'kept' ? WORDS.undoIsKeptOnThis : trouble(answer));
      return;
    }
    setDone((list) => list.filter((one) => one !== item));
    setMessage(WORDS.undone(job.name || job.words));
    await refresh();
  }

  async function give(job: RoundJob, personId: number | null, name: string): Promise<void> {
    const answer = await postRoundLine(
      {
        kind: personId === null ? 'given' : 'taken',
        jobKey: job.key,
        day: isoFromDay(dayNow(today)),
        forPersonId: personId,
      },
      WORDS.jobAndWhat(titleOf(job), personId === null ? WORDS.nobodysJob : WORDS.hasThisJob(name)),
    );
    if (answer.kind === 'problem' || answer.kind === 'offline') setMessage(trouble(answer));
    else await refresh();
  }

  return { done, message, busy, away, log, undo, give };
}

/** What a job is, to be read alone: "Look and count: Lettuce, A". */
export const titleOf = ({ words, name }: Pick<RoundJob, 'words' | 'name'>): string =>
  name === '' ? words : WORDS.ofBatch(words, name);
