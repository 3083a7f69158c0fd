import type { LogLine } from '../contracts/batch/batches.ts';
import { EVENT_WORDS, type EventKind } from '../core/batch/event.ts';
import { headersOf, sendWaiting, type Answer, type Post } from '../device/send.ts';
import { allWaiting, dropWaiting, keepWaiting, type Waiting } from '../device/waiting.ts';
import { call } from './call.ts';
import { tellWritten } from './fresh.ts';
import { personHere } from './who.ts';

/** What the application answers to a log line. */
export interface Logged {
  readonly eventId: number;
  readonly repeated: boolean;
}

/** Something to be done by the application, now or when there is a network again. */
export interface ToDo {
  readonly path: string;
  readonly body: { readonly idempotencyKey: string } & Readonly<Record<string, unknown>>;
  /** What is done and to what, as a list says it. */
  readonly words: string;
  readonly batchId?: number;
  readonly job?: string;
  /** How long ago it was done, where it is typed in later. */
  readonly ago_ms?: number;
}

/** It waits on this device. */
export interface KeptAnswer {
  readonly kind: 'kept';
  /** Whether it outlives the page: not in a private window, nor where storage is refused. */
  readonly lasts: boolean;
}

/** Longer than this nobody stands before a button: it is kept, and goes out meanwhile. */
const PATIENCE_ms = 6_000;

const post: Post = (path, body, headers) => call('POST', path, body, undefined, headers);

/** Asks the browser to send what waits once there is a network, also when no page is open; where it can. */
function sendLater(): void {
  const { serviceWorker } = navigator;
  void serviceWorker?.ready
    .then((ready) => (ready as { sync?: { register(tag: string): Promise<void> } }).sync?.register('crook-waiting'))
    .catch(() => undefined);
}

/** Asks once that the browser does not clear what is kept here when it wants room. */
let asked = false;
function askToKeep(): void {
  if (asked) return;
  asked = true;
  void (navigator.storage as StorageManager | undefined)?.persist?.().catch(() => false);
}

/**
 * Has the application do something. It is kept on this device before it is sent, behind what waits already, and let go once the
 * application has done it or said why not; without a network it stays and is sent later, from any page, under the same key.
 */
export async function doOrKeep<T>({
  path,
  body,
  words,
  batchId,
  job,
  ago_ms = 0,
}: ToDo): Promise<Answer<T> | KeptAnswer> {
  const entry: Waiting = {
    key: body.idempotencyKey,
    path,
    body,
    words,
    batchId: batchId ?? null,
    job: job ?? null,
    at_ms: Date.now() - ago_ms,
    personId: personHere(),
    failures: 0,
    refused: null,
  };
  const lasts = await keepWaiting(entry);
  const kept: KeptAnswer = { kind: 'kept', lasts };
  const sent = await Promise.race([
    sendWaiting(post),
    new Promise<null>((late) => setTimeout(late, PATIENCE_ms, null)),
  ]);
  const waits = (await allWaiting()).some(({ key, refused }) => key === entry.key && refused === null);
  if (waits) {
    askToKeep();
    sendLater();
    return kept;
  }
  const answer = sent?.answers.get(entry.key) ?? (await post(path, body, headersOf(entry, Date.now())));
  // Who has just tapped it is told where it was tapped.
  await dropWaiting(entry.key);
  if (answer.kind === 'done') tellWritten();
  return answer as Answer<T>;
}

/** What a line is about, for the list of what waits. */
interface About {
  /** Name of the batch. */
  readonly name: string;
  /** Job of the round it does, which is then no longer due on this device. */
  readonly job?: string;
}

/** Sends a log line, or keeps it. */
export function postLine(batchId: number, line: LogLine, about?: About): Promise<Answer<Logged> | KeptAnswer> {
  const count = line.count == null ? '' : `, ${line.count}`;
  const name = about ? `${about.name}: ` : '';
  return doOrKeep<Logged>({
    path: `/api/batch/${batchId}/events`,
    body: { ...line },
    words: `${name}${EVENT_WORDS[line.kind as EventKind].toLowerCase()}${count}`,
    batchId,
    ...(about?.job === undefined ? {} : { job: about.job }),
  });
}

/** Sends what waits, in order. @param again also what was not taken before */
export async function sendKept(again = false): Promise<{ readonly sent: number }> {
  const { answers } = await sendWaiting(post, again);
  const sent = [...answers.values()].filter(({ kind }) => kind === 'done').length;
  if (sent > 0) tellWritten();
  return { sent };
}

/** Where versions before kept log lines, each under its key. */
const BEFORE = 'crook.line.';

/** Takes over what a version before has kept, in its order: a new version strands nothing. */
export async function takeOver(): Promise<void> {
  try {
    const keys = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i)!).filter((key) =>
      key.startsWith(BEFORE),
    );
    const old = keys.flatMap((at) => {
      try {
        return [{ at, ...(JSON.parse(localStorage.getItem(at) ?? '') as OldLine) }];
      } catch {
        return [];
      }
    });
    for (const { at, batchId, line, at_ms, refused, personId } of old.sort((a, b) => a.at_ms - b.at_ms)) {
      await keepWaiting({
        key: line.idempotencyKey,
        path: `/api/batch/${batchId}/events`,
        body: line,
        words: EVENT_WORDS[line.kind as EventKind].toLowerCase(),
        batchId,
        job: null,
        at_ms,
        personId: personId ?? null,
        failures: 0,
        refused,
      });
      localStorage.removeItem(at);
    }
  } catch {
    // A store that cannot be read holds nothing that could be sent.
  }
}

interface OldLine {
  readonly batchId: number;
  readonly line: LogLine;
  readonly at_ms: number;
  readonly refused: string | null;
  readonly personId?: number | null;
}
