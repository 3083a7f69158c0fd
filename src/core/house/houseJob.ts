import { civilFromDay, type DayNumber } from '../calendar/dayNumber.ts';
import { dayOfMonthDay, type MonthDay } from '../calendar/monthDay.ts';
import { requireRange } from '../numerics/guard.ts';

/** Half of the day in which a job is done: opened, watered and counted in the morning; shut, covered and checked in the evening. */
export const HALVES = ['morning', 'evening'] as const;
export type HalfOfDay = (typeof HALVES)[number];

/** Stage at which a crop's batches want a job. */
export const JOB_STAGES = ['sown', 'up', 'potted', 'hardening', 'planted'] as const;
export type JobStage = (typeof JOB_STAGES)[number];

/** Whether a job of the house can stand until tomorrow. */
export const CAN_WAIT = ['yes', 'better-not', 'no'] as const;
export type CanWait = (typeof CAN_WAIT)[number];

/** A job of the house itself: once or again and again, for a place, a batch, or a crop's batches at a stage. */
export interface HouseJob {
  readonly id: number;
  readonly name: string;
  readonly minutes: number;
  readonly firstOn: DayNumber;
  /** Days from one time to the next; null: once. */
  readonly every_days: number | null;
  /** No more after this day; null: no end. */
  readonly lastOn: DayNumber | null;
  /** Only in this part of each year, both days included; it may cross the new year. null: all year. */
  readonly yearFrom: MonthDay | null;
  readonly yearTo: MonthDay | null;
  readonly half: HalfOfDay | null;
  readonly canWait: CanWait;
  readonly placeId: number | null;
  readonly batchId: number | null;
  readonly cropId: number | null;
  readonly stage: JobStage | null;
  /** Who usually does it. */
  readonly personId: number | null;
}

export type HouseJobRecord = HouseJob & { readonly version: number; readonly retiredOn: string | null };

/** A time at which a job is to be done. */
export interface HouseJobTime {
  readonly on: DayNumber;
  /** The next time, from which on this one is no longer asked for; null: it is asked for until it is done. */
  readonly until: DayNumber | null;
}

/** Whether a day lies in the part of the year a job is for. */
export function inItsYear({ yearFrom, yearTo }: Pick<HouseJob, 'yearFrom' | 'yearTo'>, day: DayNumber): boolean {
  if (yearFrom === null || yearTo === null) return true;
  const { year } = civilFromDay(day);
  const from = dayOfMonthDay(yearFrom, year);
  const to = dayOfMonthDay(yearTo, year);
  return from <= to ? day >= from && day <= to : day >= from || day <= to;
}

/**
 * The times of a job from its first day on that fall between two days, both included.
 * @param begins first day it may be asked for: its own, or the day a batch came to the stage
 * @param from first day wanted, @param to last day wanted
 * @throws RangeError when days between are under 1
 */
export function timesBetween(job: HouseJob, begins: DayNumber, from: DayNumber, to: DayNumber): HouseJobTime[] {
  const { every_days, lastOn } = job;
  const last = Math.min(to, lastOn ?? Infinity);
  if (every_days === null) {
    return begins >= from && begins <= last && inItsYear(job, begins) ? [{ on: begins, until: null }] : [];
  }
  requireRange('days between', every_days, 1, 3660);
  const times: HouseJobTime[] = [];
  const first = begins + Math.max(0, Math.ceil((from - begins) / every_days)) * every_days;
  for (let on = first; on <= last; on += every_days) if (inItsYear(job, on)) times.push({ on, until: on + every_days });
  return times;
}

/** The last time on or before a day that is still to be done; null: none. */
export function openTime(
  job: HouseJob,
  begins: DayNumber,
  today: DayNumber,
  isDone: (on: DayNumber) => boolean,
): HouseJobTime | null {
  const back = job.every_days ?? today - begins;
  const time = timesBetween(job, begins, Math.max(begins, today - back), today).at(-1);
  return !time || isDone(time.on) ? null : time;
}
