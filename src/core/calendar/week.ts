import type { DayNumber } from './dayNumber.ts';

/** Day 4 of the count (5 January 1970) was a Monday. */
const A_MONDAY = 4;

/** The Monday on or before a day. Set-points are kept by the week. */
export function mondayOf(day: DayNumber): DayNumber {
  return day - ((((day - A_MONDAY) % 7) + 7) % 7);
}
