import { dayFromCivil, dayFromIso, daysInMonth, type DayNumber } from '../core/calendar/dayNumber.ts';

/** How a file writes its dates: day or month first; ISO dates are read in any case. */
export type DateOrder = 'dmy' | 'mdy';

const SLASHED = /^(\d{1,2})[/.](\d{1,2})[/.](\d{4})$/;

/** A date as written, or null when it is none. With slashes or dots it needs to be known which number is the day. */
export function typedDay(text: string, order: DateOrder | null): DayNumber | null {
  const iso = dayFromIso(text);
  if (iso !== null) return iso;
  const match = SLASHED.exec(text);
  if (!match || order === null) return null;
  const [first, second, year] = [Number(match[1]), Number(match[2]), Number(match[3])];
  const [day, month] = order === 'dmy' ? [first, second] : [second, first];
  if (year < 1900 || year > 2199 || month < 1 || month > 12 || day < 1 || day > daysInMonth(year, month)) return null;
  return dayFromCivil(year, month, day);
}

/** What the dates of a file say of their order: one reading only, both possible, both needed, or no such dates. */
export function dateOrderOf(texts: readonly string[]): DateOrder | 'either' | 'mixed' | 'none' {
  let [dmy, mdy, any] = [false, false, false];
  for (const text of texts) {
    const match = SLASHED.exec(text);
    if (!match) continue;
    any = true;
    if (Number(match[1]) > 12) dmy = true;
    if (Number(match[2]) > 12) mdy = true;
  }
  if (!any) return 'none';
  if (dmy && mdy) return 'mixed';
  return dmy ? 'dmy' : mdy ? 'mdy' : 'either';
}
