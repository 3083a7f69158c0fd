import { dayFromCivil } from '../../core/calendar/dayNumber.ts';
import { shortDay } from '../../core/calendar/shortDay.ts';

/** "8 May" of a month and day. */
export function spokenMonthDay(monthDay: string): string {
  const [month, day] = monthDay.split('-').map(Number) as [number, number];
  return shortDay(dayFromCivil(2001, month, day));
}

/** Calendar year of a day number. */
export const yearOf = (day: number): number => new Date(day * 86_400_000).getUTCFullYear();
