import { soundHours } from '../../core/plan/schedule/measuredHours.ts';
import { knownOutside } from '../../core/weather/knownOutside.ts';
import type { Season } from '../../core/plan/season.ts';

/** Days back that are looked through. */
export const DOUBT_days = 30;

/** Measured hours of a place that are not counted, since it cannot have been so cold. */
export function doubtedHours({ measured, site, now }: Season, placeId: number): number {
  const from = now.today - DOUBT_days;
  const known = new Map(knownOutside(site, from).map(([day, , night_C]) => [day, night_C]));
  let doubted = 0;
  for (const [day, hours] of measured.get(placeId) ?? [])
    if (day >= from) doubted += soundHours(hours, known.get(day) ?? null).doubted;
  return doubted;
}
