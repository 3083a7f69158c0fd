import { civilFromDay, dayFromCivil, isLeapYear, type DayNumber } from './dayNumber.ts';

/** A day that comes every year, "MM-DD". 02-29 is allowed and falls on 1 March in a common year. */
export type MonthDay = string;

const MONTH_DAY = /^(\d{2})-(\d{2})$/;
const LONGEST = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

/** Whether the text is a day of some year, "MM-DD". */
export function isMonthDay(text: string): boolean {
  const match = MONTH_DAY.exec(text);
  if (!match) return false;
  const month = Number(match[1]);
  const day = Number(match[2]);
  return month >= 1 && month <= 12 && day >= 1 && day <= LONGEST[month - 1]!;
}

/** The day number of a month-day in a year; 29 February of a common year is its 1 March. RangeError if malformed. */
export function dayOfMonthDay(monthDay: MonthDay, year: number): DayNumber {
  if (!isMonthDay(monthDay)) throw new RangeError(`${monthDay} is not a month and day such as 05-12`);
  const [month, day] = monthDay.split('-').map(Number) as [number, number];
  if (month === 2 && day === 29 && !isLeapYear(year)) return dayFromCivil(year, 3, 1);
  return dayFromCivil(year, month, day);
}

/** The occurrence of a month-day nearest to a day, so that a frost date belongs to its own winter in either hemisphere. */
export function nearestOccurrence(monthDay: MonthDay, day: DayNumber): DayNumber {
  const year = civilFromDay(day).year;
  let best = dayOfMonthDay(monthDay, year);
  for (const candidateYear of [year - 1, year + 1]) {
    const candidate = dayOfMonthDay(monthDay, candidateYear);
    if (Math.abs(candidate - day) < Math.abs(best - day)) best = candidate;
  }
  return best;
}
