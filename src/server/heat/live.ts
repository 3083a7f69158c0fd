import { readHandReadings } from '../../db/heat/handReadings.ts';
import { readOpenAlarms } from '../../db/heat/alarms.ts';
import { readStatus } from '../../db/heat/heat.ts';
import { database } from '../database.ts';
import { readSeason } from '../plan/season.ts';

const EVERY_ms = 1_500;
/** Most who may listen at once; more are told to come again. */
const MOST = 100;

const listeners = new Set<(text: string) => void>();
let timer: NodeJS.Timeout | null = null;
let last = '';

/** Looks once for all who listen. */
async function look(): Promise<void> {
  const db = database();
  const [status, alarms, { now }] = await Promise.all([readStatus(db), readOpenAlarms(db), readSeason()]);
  const hand = await readHandReadings(db, now.instant_ms, 1);
  const text = JSON.stringify({
    zones: [...status].map(([id, s]) => ({ id, ...s })),
    hand: hand.map((r) => r.id),
    alarms: alarms.map(({ id, zoneId, kind, taken_ms, sounded_ms }) => ({
      id,
      zoneId,
      kind,
      taken: taken_ms !== null,
      sounded_ms,
    })),
  });
  if (text === last) {
    for (const tell of listeners) tell(': still here\n\n');
    return;
  }
  last = text;
  for (const tell of listeners) tell(`id: ${now.instant_ms}\ndata: ${text}\n\n`);
}

/** A stream of events until the listener goes. */
export function liveStream(signal: AbortSignal): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  let tell: ((text: string) => void) | null = null;
  const leave = () => {
    if (tell) listeners.delete(tell);
    if (listeners.size === 0 && timer) {
      clearInterval(timer);
      timer = null;
      // What was seen while somebody listened is old for the next who comes.
      last = '';
    }
  };
  return new ReadableStream({
    start(controller) {
      tell = (text) => {
        try {
          controller.enqueue(encoder.encode(text));
        } catch {
          leave();
        }
      };
      if (listeners.size >= MOST) {
        tell('retry: 30000\n\n');
        controller.close();
        return;
      }
      tell(`retry: 3000\n${last ? `data: ${last}\n` : ': hello\n'}\n`);
      listeners.add(tell);
      timer ??= setInterval(() => void look().catch(() => undefined), EVERY_ms);
      signal.addEventListener('abort', leave);
    },
    cancel: leave,
  });
}
