import { focusManager, MutationCache, onlineManager, QueryClient, type Mutation } from '@tanstack/react-query';
import type { LogLine } from '../contracts/batch/batches.ts';
import { call, type Answer } from './call.ts';
import { tellWritten } from './fresh.ts';
import { personHere } from './who.ts';

/** What the application answers to a log line. */
export interface Logged {
  readonly eventId: number;
  readonly repeated: boolean;
}

/** A line on this device that the application has not taken yet. */
export interface KeptLine {
  readonly batchId: number;
  readonly line: LogLine;
  /** When it was tapped, by this device; lines go out in this order. */
  readonly at_ms: number;
  /** Why the application did not take it; null: not sent yet. */
  readonly refused: string | null;
  /** Who tapped it: another may hold the device when it goes out. */
  readonly personId?: number | null;
}

/** Each line has an entry of its own, so that two pages open at once cannot take away each other's. */
const STORE = 'crook.line.';
/** Told when the kept lines change. */
export const KEPT_CHANGED = 'crook-kept';
/** How often a server that fails on a line is asked before the line is shown as not taken; others wait behind it no longer. */
const MOST_FAILURES = 3;

function store(kept: KeptLine): boolean {
  try {
    localStorage.setItem(STORE + kept.line.idempotencyKey, JSON.stringify(kept));
  } catch {
    return false;
  }
  window.dispatchEvent(new Event(KEPT_CHANGED));
  return true;
}

/** Lets a kept line go: the grower has seen why it cannot be written. */
export function dropLine(idempotencyKey: string): void {
  const there = sendingOf(idempotencyKey);
  if (there) queue.getMutationCache().remove(there);
  forget(idempotencyKey);
}

function forget(idempotencyKey: string): void {
  try {
    localStorage.removeItem(STORE + idempotencyKey);
  } catch {
    return;
  }
  window.dispatchEvent(new Event(KEPT_CHANGED));
}

/** Lines on this device that the application has not taken, oldest first. */
export function keptLines(): KeptLine[] {
  const lines: KeptLine[] = [];
  try {
    for (let i = 0; i < localStorage.length; i++) {
      const key = localStorage.key(i);
      if (key?.startsWith(STORE)) lines.push(JSON.parse(localStorage.getItem(key) ?? '') as KeptLine);
    }
  } catch {
    // A store that cannot be read holds nothing that could be sent.
  }
  return lines.sort((a, b) => a.at_ms - b.at_ms);
}

type NotTaken = Exclude<Answer<Logged>, { kind: 'done' }>;
type Sending = Mutation<Logged, NotTaken, KeptLine, unknown>;

/** Whether an answer means "not now" rather than "no". */
function waits(answer: NotTaken): boolean {
  if (answer.kind === 'offline') return true;
  const { status } = answer.problem;
  return status >= 500 || status === 408 || status === 421 || status === 425 || status === 429;
}

async function send({ batchId, line, personId }: KeptLine): Promise<Logged> {
  const answer = await call<Logged>('POST', `/api/batch/${batchId}/events`, line, personId ?? null);
  if (answer.kind === 'done') return answer.value;
  // Nothing more is sent until the network is tried again: the lines behind this one wait in their order.
  if (waits(answer)) onlineManager.setOnline(false);
  // It is an answer, not a fault of the program; what it says is shown.
  throw answer;
}

/** Lines whose tap is still being answered. */
const tapped = new Set<string>();

/**
 * Lines on their way: one after the other in the order in which they were tapped, paused without a network. What the store holds is
 * the truth, on this page and the next; the queue only sends it.
 */
const queue = new QueryClient({
  mutationCache: new MutationCache({
    onSuccess: (_, kept) => {
      forget((kept as KeptLine).line.idempotencyKey);
      tellWritten();
    },
    onError: (error, kept) => {
      const { line } = kept as KeptLine;
      const answer = error as unknown as NotTaken;
      // Who has just tapped it is told where it was tapped.
      if (!tapped.has(line.idempotencyKey) && answer.kind === 'problem')
        store({ ...(kept as KeptLine), refused: answer.problem.detail });
      onlineManager.setOnline(true);
    },
  }),
});
// The house's own network need not reach the world: only a call that did not get through says that there is none.
onlineManager.setEventListener((setOnline) => {
  if (typeof window === 'undefined') return undefined;
  const back = () => setOnline(true);
  window.addEventListener('online', back);
  return () => window.removeEventListener('online', back);
});
queue.mount();

const sendingOf = (key: string): Sending | undefined =>
  queue.getMutationCache().find<Logged, NotTaken, KeptLine, unknown>({ mutationKey: [key] });

/** Puts a kept line into the queue, unless it is there; it goes out when its turn comes and there is a network. */
function sending(kept: KeptLine): Sending {
  const key = kept.line.idempotencyKey;
  const there = sendingOf(key);
  if (there && there.state.status === 'pending') return there;
  if (there) queue.getMutationCache().remove(there);
  const made = queue.getMutationCache().build<Logged, NotTaken, KeptLine, unknown>(queue, {
    mutationKey: [key],
    mutationFn: send,
    scope: { id: 'log' },
    networkMode: 'online',
    retry: (failures, answer) =>
      waits(answer) && (answer.kind === 'offline' || answer.problem.status !== 500 || failures < MOST_FAILURES - 1),
    retryDelay: 0,
  });
  made.execute(kept).catch(() => undefined);
  return made;
}

/** The end of a sending, or null when it has to wait. */
function endOf(sent: Sending): Promise<Answer<Logged> | null> {
  const now = (): Answer<Logged> | null | undefined => {
    const { status, data, error, isPaused } = sent.state;
    if (status === 'success') return { kind: 'done', value: data! };
    if (status === 'error') return error ?? null;
    return isPaused && !(onlineManager.isOnline() && focusManager.isFocused()) ? null : undefined;
  };
  return new Promise((resolve) => {
    const stop = queue.getMutationCache().subscribe(look);
    const stopOnline = onlineManager.subscribe(look);
    function look(): void {
      const end = now();
      if (end === undefined) return;
      stop();
      stopOnline();
      resolve(end);
    }
    look();
  });
}

/**
 * Sends a log line. It is kept on this device before it is sent, and let go once the application has taken it or said why
 * not; without a network it stays and is sent later, from any page, under the same key.
 */
export async function postLine(batchId: number, line: LogLine): Promise<Answer<Logged> | { kind: 'kept' }> {
  const entry: KeptLine = { batchId, line, at_ms: Date.now(), refused: null, personId: personHere() };
  const kept = store(entry);
  onlineManager.setOnline(true);
  tapped.add(line.idempotencyKey);
  const sent = sending(entry);
  const answer = await endOf(sent);
  tapped.delete(line.idempotencyKey);
  if (answer === null || (answer.kind !== 'done' && waits(answer))) {
    if (kept) return { kind: 'kept' };
    queue.getMutationCache().remove(sent);
    return answer ?? { kind: 'offline' };
  }
  forget(line.idempotencyKey);
  return answer;
}

/**
 * Sends what was kept, in order; stops at the first that has to wait. What the application does not take stays, with the
 * reason, until the grower lets it go.
 */
export async function sendKept(again = false): Promise<{ readonly sent: number }> {
  let sent = 0;
  const all = keptLines();
  // What another page has sent is not sent again from here.
  for (const { state, options } of queue.getMutationCache().getAll())
    if (state.isPaused && !all.some((kept) => kept.line.idempotencyKey === options.mutationKey?.[0]))
      dropLine(String(options.mutationKey?.[0]));
  onlineManager.setOnline(true);
  const lines = all.filter((kept) => kept.refused === null || again);
  for (const on of lines.map(sending)) {
    const answer = await endOf(on);
    if (answer === null) break;
    if (answer.kind === 'done') sent++;
  }
  return { sent };
}
