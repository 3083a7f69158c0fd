import type { LogLine } from '../contracts/batch/batches.ts';
import { call, type Answer } from './call.ts';
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

function store(kept: KeptLine): boolean {
  try {
    localStorage.setItem(STORE + kept.line.idempotencyKey, JSON.stringify(kept));
  } catch {
    return false;
  }
  window.dispatchEvent(new Event(KEPT_CHANGED));
  return true;
}

/** Lets a kept line go: it is written, or the grower has seen why it cannot be. */
export function dropLine(idempotencyKey: string): void {
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

/** Whether an answer means "not now" rather than "no". */
function waits(answer: Answer<unknown>): boolean {
  if (answer.kind !== 'problem') return answer.kind === 'offline';
  const { status } = answer.problem;
  return status >= 500 || status === 408 || status === 421 || status === 425 || status === 429;
}

/**
 * Sends a log line. It is kept on this device before it is sent, and let go once the application has taken it or said why
 * not; without a network it stays and is sent later, from any page, under the same key.
 */
export async function postLine(batchId: number, line: LogLine): Promise<Answer<Logged> | { kind: 'kept' }> {
  const personId = personHere();
  const kept = store({ batchId, line, at_ms: Date.now(), refused: null, personId });
  const answer = await call<Logged>('POST', `/api/batch/${batchId}/events`, line, personId);
  if (waits(answer)) return kept ? { kind: 'kept' } : answer;
  dropLine(line.idempotencyKey);
  return answer;
}

/**
 * Sends what was kept, in order; stops at the first that has to wait. What the application does not take stays, with the
 * reason, until the grower lets it go.
 */
export async function sendKept(again = false): Promise<{ readonly sent: number }> {
  let sent = 0;
  for (const kept of keptLines()) {
    if (kept.refused !== null && !again) continue;
    const answer = await call<Logged>('POST', `/api/batch/${kept.batchId}/events`, kept.line, kept.personId ?? null);
    if (waits(answer)) break;
    if (answer.kind === 'problem') store({ ...kept, refused: answer.problem.detail });
    else {
      dropLine(kept.line.idempotencyKey);
      sent++;
    }
  }
  return { sent };
}
