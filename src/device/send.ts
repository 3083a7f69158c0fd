import { PERSON_HEADER } from '../contracts/house/holder.ts';
import type { Problem } from '../contracts/problem.ts';
import { AGE_HEADER } from '../contracts/house/device.ts';
import { allWaiting, changeWaiting, dropWaiting, type Kept } from './waiting.ts';

/** How a call to the application ended. */
export type Answer<T> =
  | { readonly kind: 'done'; readonly value: T }
  | { readonly kind: 'problem'; readonly problem: Problem }
  | { readonly kind: 'offline' };

/** Sends one entry; never throws. */
export type Send = (entry: Kept) => Promise<Answer<unknown>>;

/** How often a server that fails on an entry is asked before the entry is shown as not taken; others wait behind it no longer. */
const MOST_FAILURES = 3;

/** Whether an answer means "not now" rather than "no". */
export function meansNotNow(answer: Answer<unknown>): boolean {
  if (answer.kind === 'offline') return true;
  if (answer.kind === 'done') return false;
  const { status } = answer.problem;
  return status >= 500 || status === 408 || status === 421 || status === 425 || status === 429;
}

/** Headers of an entry: whose hands it came from, and how long ago it was tapped. */
export function headersOf({ personId, at_ms }: Kept, now_ms: number): Record<string, string> {
  return { [PERSON_HEADER]: String(personId ?? 'nobody'), [AGE_HEADER]: String(Math.round(now_ms - at_ms)) };
}

/** One sender at a time on this device, whichever window or worker it stands in. Where there are no locks, keys alone guard. */
async function alone<T>(work: () => Promise<T>): Promise<T> {
  const { locks } = navigator as { readonly locks?: LockManager };
  return locks ? locks.request('crook-sending', work) : inTurn(work);
}
let last: Promise<unknown> = Promise.resolve();
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const next = last.then(work, work);
  last = next.catch(() => undefined);
  return next;
}

/** How a round of sending ended. */
export interface Sent {
  /** Answers by key, of what was sent. */
  readonly answers: ReadonlyMap<string, Answer<unknown>>;
  /** Something waits on: there was no answer, or "not now". */
  readonly waits: boolean;
}

/**
 * Sends what waits, in the order of taps, and stops at the first that has to wait: a later line never overtakes an earlier. What the
 * application does not take stays, with its reason, and holds up nothing.
 * @param again also what was not taken before
 */
export function sendWaiting(send: Send, again = false): Promise<Sent> {
  return alone(async () => {
    const answers = new Map<string, Answer<unknown>>();
    for (const entry of await allWaiting()) {
      if (entry.refused !== null && !again) continue;
      const answer = await send(entry);
      answers.set(entry.key, answer);
      if (answer.kind === 'done') {
        await dropWaiting(entry.key);
        continue;
      }
      if (!meansNotNow(answer)) {
        await changeWaiting(entry.key, { refused: reasonOf(answer) });
        continue;
      }
      // Away is away for all; a server that fails on this one alone is asked some times, then the rest goes on.
      const failed = answer.kind === 'problem' && answer.problem.status === 500;
      if (failed && entry.failures + 1 >= MOST_FAILURES) {
        await changeWaiting(entry.key, { refused: reasonOf(answer), failures: 0 });
        continue;
      }
      if (failed) await changeWaiting(entry.key, { failures: entry.failures + 1 });
      return { answers, waits: true };
    }
    return { answers, waits: false };
  });
}

const reasonOf = (answer: Exclude<Answer<unknown>, { kind: 'done' }>): string =>
  answer.kind === 'offline'
    ? ''
    : answer.problem.errors?.map(({ message }) => message).join(' ') || answer.problem.detail;
