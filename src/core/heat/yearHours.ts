import { hourly_C, sun_W_m2 } from '../weather/hourly.ts';
import { dayLength_h } from '../weather/sun.ts';
import type { MonthNormal } from '../plan/schedule/outsideClimate.ts';
import type { HoursIn } from './simulate.ts';

/** Days of the months of a common year. */
export const MONTH_days = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const;
/** Share of possible sunshine where nothing is written down. Common practice, no source. */
export const USUAL_SUNSHINE_frac = 0.35;
/** Night covers go on at six and come off at eight. Common practice, no source. */
const COVER_ON_h = 18;
const COVER_OFF_h = 8;

export function coverOn(hour: number): boolean {
  return hour >= COVER_ON_h || hour < COVER_OFF_h;
}

/** The middle day of a month, 1 to 365. */
export function middleOfMonth(month: number): number {
  return MONTH_days.slice(0, month).reduce<number>((sum, days) => sum + days, 0) + 15;
}

/**
 * Hours of days alike: a month's usual day, `days` times over.
 * @param set_C set-point by day and by night; NaN = off
 */
export function usualHours(at: {
  readonly normals: readonly MonthNormal[];
  readonly latitude_deg: number;
  /** 0 = January. */
  readonly month: number;
  readonly days: number;
  readonly setDay_C: number;
  readonly setNight_C: number;
}): HoursIn {
  const { day_C, night_C } = at.normals[at.month]!;
  const dayOfYear = middleOfMonth(at.month);
  const daylight = dayLength_h(at.latitude_deg, dayOfYear);
  const n = 24 * at.days;
  const column = (value: (hour: number) => number) => Float64Array.from({ length: n }, (_, i) => value(i % 24));
  return {
    outside_C: column((hour) => hourly_C({ hour: hour + 0.5, least_C: night_C, most_C: day_C, dayLength_h: daylight })),
    sun_W_m2: column((hour) => sun_W_m2(at.latitude_deg, dayOfYear, USUAL_SUNSHINE_frac, hour + 0.5)),
    set_C: column((hour) => (coverOn(hour) ? at.setNight_C : at.setDay_C)),
    floor_C: column(() => (day_C + night_C) / 2),
    night: column((hour) => (coverOn(hour) ? 1 : 0)),
  };
}
