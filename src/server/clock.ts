import { isoFromDay } from '../core/calendar/dayNumber.ts';
import { localTimeAt, type Now } from '../core/calendar/localDay.ts';
import { demoInstant_ms } from '../core/house/demoClock.ts';
import type { NurseryRecord } from '../core/house/nursery.ts';

/** Now at the nursery: the machine's clock, or the demo's own. */
export function nowAt(nursery: Pick<NurseryRecord, 'timeZone' | 'demoClock'>, machine_ms: number = Date.now()): Now {
  const instant_ms = nursery.demoClock ? demoInstant_ms(nursery.demoClock, machine_ms) : machine_ms;
  const local = localTimeAt(instant_ms, nursery.timeZone);
  return { instant_ms, today: local.day, minute: local.minute };
}

export const MORNING_min = 8 * 60;
const MINUTE_ms = 60_000;

/** Eight in the morning of a local day, epoch ms, on daylight-saving days as well. */
export function morningOf(day: number, timeZone: string): number {
  let guess = Date.parse(`${isoFromDay(day)}T08:00:00Z`);
  // Twice, because the offset at the first guess may be that of the other side of a clock change.
  for (let i = 0; i < 2; i++) {
    const local = localTimeAt(guess, timeZone);
    guess += ((day - local.day) * 24 * 60 + MORNING_min - local.minute) * MINUTE_ms;
  }
  return guess;
}
