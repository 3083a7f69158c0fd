import { dayFromCivil, type DayNumber } from './dayNumber.ts';

/** Calendar day and wall time of an instant at a place. */
export interface LocalTime {
  readonly day: DayNumber;
  /** Minutes since midnight by the wall clock. */
  readonly minute: number;
}

const formats = new Map<string, Intl.DateTimeFormat>();

/**
 * The nursery's calendar day and wall-clock minute at an instant, daylight saving included.
 * @param instant_ms UTC epoch milliseconds
 * @param timeZone IANA name; RangeError if unknown
 */
export function localTimeAt(instant_ms: number, timeZone: string): LocalTime {
  let format = formats.get(timeZone);
  if (!format) {
    format = new Intl.DateTimeFormat('en-CA', {
      timeZone,
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
    });
    formats.set(timeZone, format);
  }
  const part: Record<string, number> = {};
  for (const { type, value } of format.formatToParts(instant_ms)) part[type] = Number(value);
  return {
    day: dayFromCivil(part['year']!, part['month']!, part['day']!),
    minute: part['hour']! * 60 + part['minute']!,
  };
}
