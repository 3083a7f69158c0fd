import type { Crop } from '../../books/crop.ts';
import type { PlaceTemperature } from '../../books/place.ts';

/** How much heat cool crops get: none, gentle, or the same as warm crops. Growers disagree; it is a rule of the nursery. */
export type CoolSchool = 'none' | 'gentle' | 'same';

/** Highest set-point a place may have while a crop stands in it; null = no bound. `none` leaves only what frost needs. */
export function coolCap_C(crop: Pick<Crop, 'group'>, school: CoolSchool, gentle_C: number): number | null {
  if (crop.group === 'warm' || school === 'same') return null;
  return school === 'none' ? FROST_FREE_C : gentle_C;
}

/** Set-points up to this keep frost out and do not count as heat for cool crops. Common practice, no source. */
export const FROST_FREE_C = 7;

/** The set-points a place may take, off first; null = off. A place that is not set has none. */
export function levelsOf(temperature: PlaceTemperature | undefined): (number | null)[] {
  return temperature?.kind === 'set-point' ? [null, ...temperature.levels_C] : [];
}
