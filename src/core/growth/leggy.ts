import { LEGGY_RATIO, photothermalRatio } from '../weather/light.ts';

/** Seedlings left on the heat after coming up, and whether they stretch. */
export interface Leggy {
  readonly days: number;
  /** mol per square metre and degree-day; null when it is too cold to grow. */
  readonly ratio: number | null;
  readonly light_mol_m2: number;
  readonly leggy: boolean;
}

/** Days after half up before anything is said. Common practice, no source. */
const GRACE_days = 1;

/**
 * Light over warmth for seedlings that stay where they came up.
 * @param at.light_mol_m2 daily light where they stand
 * @returns null when they have only just come up
 */
export function leggyOnHeat(at: {
  readonly light_mol_m2: number;
  readonly mean_C: number;
  readonly base_C: number;
  readonly daysSinceHalfUp: number;
}): Leggy | null {
  if (!(at.daysSinceHalfUp > GRACE_days)) return null;
  const { light_mol_m2 } = at;
  const ratio = photothermalRatio(light_mol_m2, at.mean_C, at.base_C);
  return { days: at.daysSinceHalfUp, ratio, light_mol_m2, leggy: ratio !== null && ratio < LEGGY_RATIO };
}
