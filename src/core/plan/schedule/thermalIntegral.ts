import type { DayNumber } from '../../calendar/dayNumber.ts';

/**
 * Running total of a daily gain, straight within each day, so that both "how much by then" and "when is so much
 * reached" are exact. Time is a day number with a fraction: 20000.5 is noon of day 20000.
 */
export interface ThermalIntegral {
  readonly from: DayNumber;
  /** total[i] at the start of day from + i; one longer than the days covered. */
  readonly total: Float64Array;
}

/** Running total of gains[i] on day from + i; a gain below 0 or NaN is a RangeError. */
export function thermalIntegral(from: DayNumber, gains: Float64Array): ThermalIntegral {
  const total = new Float64Array(gains.length + 1);
  for (let i = 0; i < gains.length; i++) {
    if (!(gains[i]! >= 0)) throw new RangeError(`gain on day ${from + i} is ${gains[i]}; it must be 0 or more`);
    total[i + 1] = total[i]! + gains[i]!;
  }
  return { from, total };
}

/** The total at time t; held at the ends of what is covered. */
export function totalAt(integral: ThermalIntegral, t: number): number {
  const { from, total } = integral;
  const x = t - from;
  if (x <= 0) return 0;
  if (x >= total.length - 1) return total[total.length - 1]!;
  const i = Math.floor(x);
  return total[i]! + (x - i) * (total[i + 1]! - total[i]!);
}

/** First time at which `amount` more than at `start` is reached, or null when it is not within the days covered. */
export function timeAfter(integral: ThermalIntegral, start: number, amount: number): number | null {
  if (!(amount > 0)) return start;
  const { from, total } = integral;
  const goal = totalAt(integral, start) + amount;
  if (!(goal <= total[total.length - 1]!) || start < from) return null;
  const i = firstIndexAtLeast(total, goal);
  const gain = total[i]! - total[i - 1]!;
  return from + i - 1 + (goal - total[i - 1]!) / gain;
}

/** Last time from which `amount` is still gained by `end`, or null when the days covered do not hold so much. */
export function timeBefore(integral: ThermalIntegral, end: number, amount: number): number | null {
  if (!(amount > 0)) return end;
  const { from, total } = integral;
  const goal = totalAt(integral, end) - amount;
  if (!(goal >= 0)) return null;
  let i = firstIndexAtLeast(total, goal);
  while (i + 1 < total.length && total[i + 1] === goal) i++;
  if (total[i] === goal) return Math.min(end, from + i);
  const gain = total[i]! - total[i - 1]!;
  return from + i - 1 + (goal - total[i - 1]!) / gain;
}

function firstIndexAtLeast(sorted: Float64Array, value: number): number {
  let lo = 0;
  let hi = sorted.length - 1;
  while (lo < hi) {
    const mid = (lo + hi) >> 1;
    if (sorted[mid]! >= value) hi = mid;
    else lo = mid + 1;
  }
  return lo;
}
