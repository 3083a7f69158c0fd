import { civilFromDay, type DayNumber } from './dayNumber.ts';

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** "12 Apr", or "12 Apr 2028" when the year is not the one read in. */
export function shortDay(day: DayNumber, yearOfReader?: number): string {
  const { year, month, day: d } = civilFromDay(day);
  const text = `${d} ${MONTHS[month - 1]!}`;
  return yearOfReader !== undefined && year !== yearOfReader ? `${text} ${year}` : text;
}
