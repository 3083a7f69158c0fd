import { civilFromDay, dayFromCivil, type DayNumber } from '../../calendar/dayNumber.ts';
import { meanPreservingDays } from '../../weather/meanPreserving.ts';
import { Derived } from '../../numerics/remembered.ts';

/** A month's mean daily maximum and minimum outside, degrees Celsius. Twelve, January first. */
export interface MonthNormal {
  readonly day_C: number;
  readonly night_C: number;
}

/** Day and night outside for each day from `from`, degrees Celsius. */
export interface OutsideClimate {
  readonly from: DayNumber;
  readonly day_C: Float64Array;
  readonly night_C: Float64Array;
}

interface Courses {
  readonly day: Float64Array;
  readonly night: Float64Array;
}
const known = new Derived<readonly MonthNormal[], Courses>();

/** Days and nights of a common year by the normals, worked out once for each set of them. */
function coursesOf(normals: readonly MonthNormal[]): Courses {
  return known.get(normals, () => ({
    day: meanPreservingDays(normals.map((m) => m.day_C)),
    night: meanPreservingDays(normals.map((m) => m.night_C)),
  }));
}

/**
 * Usual days and nights from monthly normals, smooth from day to day, each month's mean kept (Rymes & Myers 2001). 29 February
 * lies between its neighbours.
 * @throws RangeError unless there are twelve months
 */
export function outsideClimate(normals: readonly MonthNormal[], from: DayNumber, days: number): OutsideClimate {
  if (normals.length !== 12) throw new RangeError(`${normals.length} months of outside normals; there must be 12`);
  const { day, night } = coursesOf(normals);
  const day_C = new Float64Array(days);
  const night_C = new Float64Array(days);
  let { year } = civilFromDay(from);
  let start = dayFromCivil(year, 1, 1);
  let next = dayFromCivil(year + 1, 1, 1);
  for (let i = 0; i < days; i++) {
    if (from + i >= next) {
      year++;
      start = next;
      next = dayFromCivil(year + 1, 1, 1);
    }
    const leap = next - start === 366;
    const ofYear = from + i - start;
    const at = leap && ofYear > LEAP_DAY ? ofYear - 1 : ofYear;
    if (leap && ofYear === LEAP_DAY) {
      day_C[i] = (day[at - 1]! + day[at]!) / 2;
      night_C[i] = (night[at - 1]! + night[at]!) / 2;
    } else {
      day_C[i] = day[at]!;
      night_C[i] = night[at]!;
    }
  }
  return { from, day_C, night_C };
}

/** Days before 29 February in its year. */
const LEAP_DAY = 59;
