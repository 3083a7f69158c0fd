import { requireRange } from '../numerics/guard.ts';
import type { Crop } from '../model.ts';

export type GrowthTraits = Pick<Crop, 'base_C' | 'growOptimum_C' | 'growCeiling_C'>;

/**
 * Degree-days a day would add if it were all at one temperature: what lies above the base up to the optimum, falling above
 * it to nothing at the ceiling by the beta function.
 * @source below the optimum degree-days (McMaster & Wilhelm 1997, Agric. For. Meteorol. 87, 291-300); above it the beta
 * function of Yan & Hunt 1999, Annals of Botany 84, 607-614, eq. 6 (least temperature = base), which is 1 at the optimum
 * @example growthAt_degreeDays({base_C: 4, growOptimum_C: 19, growCeiling_C: 30}, 30) // 0
 */
export function growthAt_degreeDays(
  { base_C, growOptimum_C, growCeiling_C }: GrowthTraits,
  temperature_C: number,
): number {
  if (!(temperature_C > base_C)) return 0;
  if (temperature_C <= growOptimum_C) return temperature_C - base_C;
  if (temperature_C >= growCeiling_C) return 0;
  const rise = growOptimum_C - base_C;
  const fall = growCeiling_C - growOptimum_C;
  return rise * ((growCeiling_C - temperature_C) / fall) * ((temperature_C - base_C) / rise) ** (rise / fall);
}

/**
 * Degree-days of a day by its hours.
 * @param hours_C temperature of each hour, any number of them
 */
export function degreeDaysOfHours(crop: GrowthTraits, hours_C: ArrayLike<number>): number {
  let sum = 0;
  for (let i = 0; i < hours_C.length; i++) sum += growthAt_degreeDays(crop, hours_C[i]!);
  return hours_C.length === 0 ? 0 : sum / hours_C.length;
}

/** Share of the resistance to growth that is the light's at the crop's reference. Common practice, no source. */
export const LIGHT_SHARE_frac = 0.2;

/**
 * What a day adds with the light it has: warmth and light as two resistances in a row, so that in the warm light is the
 * limit and in the cold warmth. At the crop's reference temperatures and good light it is the degree-days themselves.
 * @param warmth_degreeDays of the day
 * @param light_mol_m2 daily light where the plants stand
 * @param reference_degreeDays of a day at the crop's reference temperatures, above 0
 * @source effective day-degrees, Scaife, Cox & Morris 1987, Annals of Botany 59, 429-439 (the form: 1 / effective = 1 /
 * day-degrees + constant / light); the constant by what growers see, common practice, no source
 */
export function effective_degreeDays(
  warmth_degreeDays: number,
  light_mol_m2: number,
  dliGood: number,
  reference_degreeDays: number,
): number {
  if (!(warmth_degreeDays > 0) || !(light_mol_m2 > 0)) return 0;
  return (
    1 /
    ((1 - LIGHT_SHARE_frac) / warmth_degreeDays + (LIGHT_SHARE_frac * dliGood) / (light_mol_m2 * reference_degreeDays))
  );
}

/** Degree-days of a day at the crop's reference temperatures, half day and half night. */
export function reference_degreeDays(crop: GrowthTraits & Pick<Crop, 'growDay_C' | 'growNight_C'>): number {
  return (growthAt_degreeDays(crop, crop.growDay_C) + growthAt_degreeDays(crop, crop.growNight_C)) / 2;
}

/** Days to gain so much at a steady gain; null where nothing is gained. @throws RangeError for a need below 0 */
export function daysToGain(need_degreeDays: number, perDay_degreeDays: number): number | null {
  requireRange('degree-days to gain', need_degreeDays, 0, 1e6);
  return perDay_degreeDays > 0 ? need_degreeDays / perDay_degreeDays : need_degreeDays === 0 ? 0 : null;
}
