import { dayFromCivil, type DayNumber } from './dayNumber.ts';
import { Remembered } from '../numerics/remembered.ts';

/** Calendar day and wall time of an instant at a place. */
export interface LocalTime {
  readonly day: DayNumber;
  /** Minutes since midnight by the wall clock. */
  readonly minute: number;
}

const formats = new Map<string, Intl.DateTimeFormat>();

const HOUR_ms = 3_600_000;
const DAY_ms = 24 * HOUR_ms;
const offsets = new Remembered<number>(20_000);

/**
 * The wall-clock hour of an instant, 0 to 24, with its part of an hour: by the place's own offset from UTC at that instant. The
 * clock is asked twice for each day of UTC, and hour by hour on a day on which it is put forward or back.
 */
export function localHourAt(instant_ms: number, timeZone: string): number {
  const day = Math.floor(instant_ms / DAY_ms);
  const [from, to] = [offsetAt(day * DAY_ms, timeZone), offsetAt((day + 1) * DAY_ms, timeZone)];
  const offset_ms = from === to ? from : offsetAt(Math.floor(instant_ms / (HOUR_ms / 4)) * (HOUR_ms / 4), timeZone);
  const hour = (instant_ms + offset_ms) / HOUR_ms;
  return hour - 24 * Math.floor(hour / 24);
}

/** Offset of the wall clock from UTC, ms. */
function offsetAt(instant_ms: number, timeZone: string): number {
  return offsets.get(`${instant_ms} ${timeZone}`, () => {
    const { day, minute } = localTimeAt(instant_ms, timeZone);
    return day * DAY_ms + minute * 60_000 - Math.floor(instant_ms / 60_000) * 60_000;
  });
}

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

/** The application's now: the one source of "today". */
export interface Now {
  readonly instant_ms: number;
  /** Calendar day at the nursery. */
  readonly today: number;
  /** Minutes since midnight at the nursery. */
  readonly minute: number;
}
