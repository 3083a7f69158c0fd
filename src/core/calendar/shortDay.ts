import { civilFromDay, type DayNumber } from './dayNumber.ts';
import { WORDS } from '../../words/en/calendar/shortDay.ts';

const MONTHS = [
  WORDS.jan,
  WORDS.feb,
  WORDS.mar,
  WORDS.apr,
  WORDS.may,
  WORDS.jun,
  WORDS.jul,
  WORDS.aug,
  WORDS.sep,
  WORDS.oct,
  WORDS.nov,
  WORDS.dec,
];

/** "12 Apr", or "12 Apr 2028" when the year is not the one read in. */
export function shortDay(day: DayNumber, yearOfReader?: number): string {
  const { year, month, day: d } = civilFromDay(day);
  const text = `${d} ${MONTHS[month - 1]!}`;
  return yearOfReader !== undefined && year !== yearOfReader ? `${text} ${year}` : text;
}
