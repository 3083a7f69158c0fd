import type { Crop } from '../books/crop.ts';

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
  let [last_C, last] = [NaN, 0];
  for (let i = 0; i < hours_C.length; i++) {
    // What is held has hours alike.
    if (hours_C[i] !== last_C) {
      last_C = hours_C[i]!;
      last = growthAt_degreeDays(crop, last_C);
    }
    sum += last;
  }
  return hours_C.length === 0 ? 0 : sum / hours_C.length;
}

/** Share of the resistance to growth that is the light's at the crop's good light. Common practice, no source. */
export const LIGHT_SHARE_frac = 0.2;

/**
 * What light makes of growth: 1 at the crop's good light, less below it, a little more above it, never more than
 * 1 / (1 - share).
 * @param light_mol_m2 daily light where the plants stand
 * @source a rectangular hyperbola of light, as the effective day-degrees of Scaife, Cox & Morris 1987, Annals of Botany 59,
 * 429-439 (1 / effective = 1 / day-degrees + constant / light) are at the crop's reference temperatures; the constant by what
 * growers see, common practice, no source
 * @example lightFactor(15, 15) // 1
 */
export function lightFactor(light_mol_m2: number, dliGood: number): number {
  if (!(light_mol_m2 > 0)) return 0;
  return 1 / (1 - LIGHT_SHARE_frac + (LIGHT_SHARE_frac * dliGood) / light_mol_m2);
}

/** Degree-days of a day at the crop's reference temperatures, half day and half night. */
export function reference_degreeDays(crop: GrowthTraits & Pick<Crop, 'growDay_C' | 'growNight_C'>): number {
  return (growthAt_degreeDays(crop, crop.growDay_C) + growthAt_degreeDays(crop, crop.growNight_C)) / 2;
}
