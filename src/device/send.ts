import { PERSON_HEADER } from '../contracts/house/holder.ts';
import type { Problem } from '../contracts/problem.ts';
import { AGE_HEADER } from '../contracts/house/device.ts';
import type { EntryAnswer } from '../contracts/house/entries.ts';
import { GOES_TOGETHER, MOST_ENTRIES } from '../contracts/house/together.ts';
import { allWaiting, changeWaiting, dropWaiting, type Kept, type Waiting } from './waiting.ts';

/** How a call to the application ended. */
export type Answer<T> =
  | { readonly kind: 'done'; readonly value: T }
  | { readonly kind: 'problem'; readonly problem: Problem }
  | { readonly kind: 'offline' };

/** Posts to the application; never throws. */
export type Post = (path: string, body: object, headers: Readonly<Record<string, string>>) => Promise<Answer<unknown>>;

/** How often a server that fails on an entry is asked before the entry is shown as not taken; others wait behind it no longer. */
const MOST_FAILURES = 3;

/** Whether an answer means "not now" rather than "no". */
export function meansNotNow(answer: Answer<unknown>): boolean {
  if (answer.kind === 'offline') return true;
  if (answer.kind === 'done') return false;
  const { status } = answer.problem;
  return status >= 500 || status === 401 || status === 408 || status === 421 || status === 425 || status === 429;
}

/** Headers of an entry: whose hands it came from, and how long ago it was tapped. */
export function headersOf({ personId, at_ms }: Waiting, now_ms: number): Record<string, string> {
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

/** The next entries that go out in one call: as many in a row as go together, else the first alone. */
function nextOf(entries: readonly Kept[]): readonly Kept[] {
  const other = entries.findIndex(({ path }) => !GOES_TOGETHER.test(path));
  const together = other === -1 ? entries.length : other;
  return entries.slice(0, Math.max(1, Math.min(together, MOST_ENTRIES)));
}

/** Sends entries in one call and answers each; those after the last answer wait on. */
async function sendTogether(post: Post, entries: readonly Kept[]): Promise<readonly Answer<unknown>[]> {
  const [first] = entries;
  const alone = () => post(first!.path, first!.body, headersOf(first!, Date.now()));
  if (entries.length === 1) return [await alone()];
  const now_ms = Date.now();
  const all = entries.map(({ path, body, personId, at_ms }) => ({
    path,
    body,
    personId,
    age_ms: Math.round(now_ms - at_ms),
  }));
  const answer = await post('/api/house/entries', { entries: all }, {});
  if (answer.kind === 'done' && Array.isArray(answer.value))
    return (answer.value as readonly EntryAnswer[]).map(({ status, body }) =>
      status < 400 ? { kind: 'done', value: body } : { kind: 'problem', problem: body as Problem },
    );
  // What cannot come together (one that is out of form, an application of before) is told apart one by one.
  return answer.kind !== 'done' && meansNotNow(answer) ? [answer] : [await alone()];
}

/**
 * Sends what waits, in the order of taps, and stops at the first that has to wait: a later line never overtakes an earlier. What the
 * application does not take stays, with its reason, and holds up nothing.
 * @param again also what was not taken before
 */
export function sendWaiting(post: Post, again = false): Promise<Sent> {
  return alone(async () => {
    const answers = new Map<string, Answer<unknown>>();
    const left = (await allWaiting()).filter(({ refused }) => refused === null || again);
    while (left.length > 0) {
      const entries = nextOf(left);
      const got = await sendTogether(post, entries);
      if (got.length === 0) return { answers, waits: true };
      got.forEach((answer, i) => answers.set(entries[i]!.key, answer));
      // What is done goes at once for all: a browser that is closed before that sends it once more under its key.
      await dropWaiting(...entries.filter((_, i) => got[i]?.kind === 'done').map(({ key }) => key));
      for (const [i, answer] of got.entries()) {
        const waits = answer.kind !== 'done' && (await notTaken(entries[i]!, answer));
        if (waits) return { answers, waits: true };
      }
      left.splice(0, got.length);
    }
    return { answers, waits: false };
  });
}

/** Notes of an entry why it was not taken. @returns whether it has to wait, and with it what follows */
async function notTaken(entry: Kept, answer: Exclude<Answer<unknown>, { kind: 'done' }>): Promise<boolean> {
  if (!meansNotNow(answer)) {
    await changeWaiting(entry.key, { refused: reasonOf(answer) });
    return false;
  }
  // Away is away for all; a server that fails on this one alone is asked some times, then the rest goes on.
  if (answer.kind !== 'problem' || answer.problem.status !== 500) return true;
  const failures = entry.failures + 1;
  const given = failures >= MOST_FAILURES;
  await changeWaiting(entry.key, given ? { refused: reasonOf(answer), failures: 0 } : { failures });
  return !given;
}

const reasonOf = (answer: Exclude<Answer<unknown>, { kind: 'done' }>): string =>
  answer.kind === 'offline'
    ? ''
    : answer.problem.errors?.map(({ message }) => message).join(' ') || answer.problem.detail;
