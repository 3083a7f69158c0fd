import { dailyLight_mol_m2, LEGGY_RATIO, photothermalRatio, USUAL_LIGHT } from './light.ts';
import type { PlaceKind } from '../model.ts';

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
 * Light over warmth for seedlings that stay where they came up. The light is the usual of such a place, not measured:
 * none in a dark chamber, lamps alone in a lit one, sun through the cover elsewhere, and lamps where there are any.
 * @returns null when they have only just come up
 */
export function leggyOnHeat(at: {
  readonly kind: PlaceKind;
  readonly lit: boolean;
  readonly mean_C: number;
  readonly base_C: number;
  readonly latitude_deg: number;
  readonly dayOfYear: number;
  readonly daysSinceHalfUp: number;
}): Leggy | null {
  if (!(at.daysSinceHalfUp > GRACE_days)) return null;
  const chamber = at.kind === 'dark-chamber' || at.kind === 'lit-chamber';
  const light_mol_m2 = dailyLight_mol_m2({
    latitude_deg: at.latitude_deg,
    dayOfYear: at.dayOfYear,
    sunshine_frac: USUAL_LIGHT.sunshine_frac,
    cover_frac: chamber ? 0 : USUAL_LIGHT.cover_frac,
    lamps_umol_m2_s: at.lit ? USUAL_LIGHT.lamps_umol_m2_s : 0,
    lamps_h: at.lit ? USUAL_LIGHT.lamps_h : 0,
  });
  const ratio = photothermalRatio(light_mol_m2, at.mean_C, at.base_C);
  return { days: at.daysSinceHalfUp, ratio, light_mol_m2, leggy: ratio !== null && ratio < LEGGY_RATIO };
}
