import { requireRange } from '../numerics/guard.ts';
import { WORDS } from '../../words/en/weather/meanPreserving.ts';

/** Days of the months of a common year. */
export const MONTH_days = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const;
const YEAR_days = 365;
/** Days of smoothing: as many as the method's authors take. */
const PASSES = 365;

/**
 * A smooth yearly course by the day whose mean over each month is the month's own: each day the mean of itself and its neighbours,
 * then each month put back to its mean, 365 times over.
 * @param means twelve, January first
 * @returns 365 values, 1 January first; the year is taken to go round
 * @throws RangeError unless there are twelve finite means
 * @source Rymes & Myers 2001, Solar Energy 71(4), 225-231
 * @accuracy months' means to 1e-9 (tested)
 */
export function meanPreservingDays(means: readonly number[]): Float64Array {
  if (means.length !== 12) throw new RangeError(`${means.length} months of normals; there must be 12`);
  means.forEach((mean) => requireRange(WORDS.monthlyMean, mean, -150, 150));
  const monthOf = new Uint8Array(YEAR_days);
  let course = new Float64Array(YEAR_days);
  let day = 0;
  MONTH_days.forEach((days, month) => {
    for (let i = 0; i < days; i++, day++) {
      monthOf[day] = month;
      course[day] = means[month]!;
    }
  });
  let next = new Float64Array(YEAR_days);
  for (let pass = 0; pass < PASSES; pass++) {
    for (let d = 0; d < YEAR_days; d++)
      next[d] = (course[(d + YEAR_days - 1) % YEAR_days]! + course[d]! + course[(d + 1) % YEAR_days]!) / 3;
    const sums = new Float64Array(12);
    for (let d = 0; d < YEAR_days; d++) sums[monthOf[d]!]! += next[d]!;
    for (let d = 0; d < YEAR_days; d++) {
      const month = monthOf[d]!;
      next[d]! += means[month]! - sums[month]! / MONTH_days[month]!;
    }
    [course, next] = [next, course];
  }
  return course;
}
