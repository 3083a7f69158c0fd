import type { DayNumber } from '../calendar/dayNumber.ts';
import { mondayOf } from '../calendar/week.ts';
import { TRAY_m2 } from './holding.ts';
import { litresOf } from './waterPlan.ts';

/** Trays give less than the air asks as they dry: over a usual round of wet to dry so much of it. Common practice, no source. */
const GIVEN_frac = 0.8;
/** A tray is watered each time it has lost so much, mm. Common practice, no source: about half of what a cell tray holds. */
const EACH_mm = 3;

interface Standing {
  readonly placeId: number;
  readonly from: DayNumber;
  readonly to: DayNumber;
  readonly slots: number;
  readonly trays: number;
}

/** Water of a week. */
export interface WaterWeek {
  /** Its Monday. */
  readonly week: DayNumber;
  readonly litresADay: number;
  /** Trays watered in a day. */
  readonly traysADay: number;
}

/**
 * Litres and trays watered a day, by week, from what stands where and what the air of each place asks on a day of that week.
 * @param demandOn mm a day a wet surface loses at a place in the middle of a week
 */
export function waterWeeks(
  stands: readonly Standing[],
  from: DayNumber,
  demandOn: (placeId: number, day: DayNumber) => number,
): WaterWeek[] {
  const last = Math.max(from, ...stands.map(({ to }) => to));
  const weeks: WaterWeek[] = [];
  for (let week = mondayOf(from); week < last; week += 7) {
    let [litres, trays, any] = [0, 0, false];
    for (const stand of stands) {
      const days = Math.min(stand.to, week + 7) - Math.max(stand.from, week, from);
      if (days <= 0) continue;
      any = true;
      const mm = demandOn(stand.placeId, week + 3) * GIVEN_frac;
      const share = days / (week < from ? week + 7 - from : 7);
      litres += share * litresOf(mm, stand.slots * TRAY_m2);
      trays += share * stand.trays * Math.min(1, mm / EACH_mm);
    }
    if (any) weeks.push({ week, litresADay: litres, traysADay: trays });
  }
  return weeks;
}
