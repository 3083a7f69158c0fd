import { requireRange } from '../numerics/guard.ts';
import { WORDS } from '../../words/en/calendar/dayNumber.ts';

/** Whole-day number: days since 1970-01-01 in the proleptic Gregorian calendar. Carries no time of day and no zone. */
export type DayNumber = number;

const ISO_DAY = /^(\d{4})-(\d{2})-(\d{2})$/;
export const FIRST_DAY: DayNumber = -25_567; // 1900-01-01
export const LAST_DAY: DayNumber = 84_005; // 2199-12-31

/**
 * Day number of a civil date, by the era method (400-year cycles counted from 1 March).
 * @source Richards 2013, Explanatory Supplement to the Astronomical Almanac, 3rd ed., ch. 15 (Gregorian day count)
 * @example dayFromCivil(1970, 1, 1) // 0
 */
export function dayFromCivil(year: number, month: number, day: number): DayNumber {
  const y = month <= 2 ? year - 1 : year;
  const era = Math.floor(y / 400);
  const yearOfEra = y - era * 400;
  const dayOfYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
  const dayOfEra = yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfYear;
  return era * 146_097 + dayOfEra - 719_468;
}

/** Year, month (1-12) and day of month of a day number. */
export function civilFromDay(day: DayNumber): {
  year: number;
  month: number;
  day: number;
} {
  const z = Math.floor(day) + 719_468;
  const era = Math.floor(z / 146_097);
  const doe = z - era * 146_097;
  const yoe = Math.floor((doe - Math.floor(doe / 1460) + Math.floor(doe / 36_524) - Math.floor(doe / 146_096)) / 365);
  const doy = doe - (365 * yoe + Math.floor(yoe / 4) - Math.floor(yoe / 100));
  const mp = Math.floor((5 * doy + 2) / 153);
  const month = mp < 10 ? mp + 3 : mp - 9;
  return {
    year: yoe + era * 400 + (month <= 2 ? 1 : 0),
    month,
    day: doy - Math.floor((153 * mp + 2) / 5) + 1,
  };
}

/** Whether the year has a 29 February. */
/** 1 for 1 January to 365 or 366. */
export function dayOfYear(day: DayNumber): number {
  return day - dayFromCivil(civilFromDay(day).year, 1, 1) + 1;
}

export function isLeapYear(year: number): boolean {
  return (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;
}

/** Days in a month (1-12) of a year. */
export function daysInMonth(year: number, month: number): number {
  return dayFromCivil(month === 12 ? year + 1 : year, month === 12 ? 1 : month + 1, 1) - dayFromCivil(year, month, 1);
}

/**
 * Day number of an ISO date "YYYY-MM-DD", or null when it is not a date of the calendar between 1900 and 2199
 * (for example 2027-02-29).
 * @example dayFromIso('2028-02-29') // 21243
 */
export function dayFromIso(iso: string): DayNumber | null {
  const match = ISO_DAY.exec(iso);
  if (!match) return null;
  const [year, month, day] = [Number(match[1]), Number(match[2]), Number(match[3])];
  if (year < 1900 || year > 2199 || month < 1 || month > 12 || day < 1 || day > daysInMonth(year, month)) return null;
  return dayFromCivil(year, month, day);
}

/** ISO date "YYYY-MM-DD" of a day number between 1900 and 2199; RangeError outside. */
export function isoFromDay(day: DayNumber): string {
  requireRange(WORDS.dayNumber, day, FIRST_DAY, LAST_DAY);
  const civil = civilFromDay(day);
  return `${civil.year}-${pad(civil.month)}-${pad(civil.day)}`;
}

/** Day of the week, 1 = Monday to 7 = Sunday (ISO 8601). */
export function weekdayOf(day: DayNumber): number {
  return ((((Math.floor(day) + 3) % 7) + 7) % 7) + 1;
}

/** Day number of an ISO date known to be valid; RangeError when it is not. */
export function requireDay(iso: string): DayNumber {
  const day = dayFromIso(iso);
  if (day === null) throw new RangeError(`${iso} is not a date between 1900 and 2199`);
  return day;
}

function pad(n: number): string {
  return String(n).padStart(2, '0');
}
