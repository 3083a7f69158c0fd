import type { Hardiness } from '../books/crop.ts';
import type { MonthDay } from '../calendar/monthDay.ts';
import type { MonthNormal } from '../plan/schedule/outsideClimate.ts';
import { monthDayOf } from '../weather/frost.ts';
import { springOddsFromNormals, type NightsKnown } from '../weather/normalFrost.ts';
import { OUT_HARM_C } from './outDates.ts';

/**
 * From when plants of each hardiness may be out at a risk, by monthly normals alone.
 * @param known what is known of how far nights lie from them
 * @returns month and day by hardiness; null where harmful nights are rarer than that all through the season
 */
export function outByNormals(
  normals: readonly MonthNormal[],
  south: boolean,
  risk_frac: number,
  known: NightsKnown,
): Record<Hardiness, MonthDay | null> {
  const of = (harm_C: number): MonthDay | null => {
    const first = springOddsFromNormals(normals, harm_C, south, known).findIndex((odds) => odds <= risk_frac);
    return first === 0 ? null : monthDayOf(first < 0 ? LAST_offset : first, south ? 7 : 1);
  };
  return Object.fromEntries(Object.entries(OUT_HARM_C).map(([hardiness, harm_C]) => [hardiness, of(harm_C)])) as Record<
    Hardiness,
    MonthDay | null
  >;
}
/** Never rare enough in the spring half: its last day. */
const LAST_offset = 196;
