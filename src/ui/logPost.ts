import type { PlantingDetails } from '../core/batch/event.ts';
import { call, type Answer } from './call.ts';

/** What the application answers to a log line. */
export interface Logged {
  readonly eventId: number;
  readonly repeated: boolean;
}

/** A log line as the screens send it. */
export interface LogLine {
  readonly idempotencyKey: string;
  readonly kind: string;
  readonly day: string;
  readonly count?: number | null;
  readonly placeId?: number | null;
  readonly note?: string;
  readonly cause?: string;
  readonly correctsId?: number | null;
  readonly tray?: number | null;
  readonly planting?: PlantingDetails | null;
}

interface Kept {
  readonly batchId: number;
  readonly line: LogLine;
}

const STORE = 'crook.unsent';

/** Sends a log line; without a network it is kept on this device and sent later, under the same key. */
export async function postLine(batchId: number, line: LogLine): Promise<Answer<Logged> | { kind: 'kept' }> {
  const answer = await call<Logged>('POST', `/api/batches/${batchId}/events`, line);
  if (answer.kind !== 'offline') return answer;
  try {
    localStorage.setItem(STORE, JSON.stringify([...keptLines(), { batchId, line }]));
  } catch {
    return answer;
  }
  return { kind: 'kept' };
}

/** Lines still to be sent from this device. */
export function keptLines(): Kept[] {
  try {
    return JSON.parse(localStorage.getItem(STORE) ?? '[]') as Kept[];
  } catch {
    return [];
  }
}

/** Sends what was kept, in order; stops at the first that finds no network. Returns refusals in words. */
export async function sendKept(): Promise<{ sent: number; refused: string[] }> {
  let sent = 0;
  const refused: string[] = [];
  for (let kept = keptLines(); kept.length > 0; kept = keptLines()) {
    const { batchId, line } = kept[0]!;
    const answer = await call<Logged>('POST', `/api/batches/${batchId}/events`, line);
    if (answer.kind === 'offline' || (answer.kind === 'problem' && answer.problem.status >= 500)) break;
    if (answer.kind === 'problem') refused.push(answer.problem.detail);
    else sent++;
    localStorage.setItem(STORE, JSON.stringify(keptLines().slice(1)));
  }
  return { sent, refused };
}
