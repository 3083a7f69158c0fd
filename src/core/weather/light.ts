import type { PlaceLight } from '../books/place.ts';
import { requireRange } from '../numerics/guard.ts';
import { solar_MJ_m2 } from './sun.ts';
import { WORDS } from '../../words/en/weather/light.ts';

/** Mol of photons plants can use in a megajoule of sunlight. @source Thimijan & Heins 1983, HortScience 18, 818-822: 45% of the energy, 4.57 micromol per J */
export const MOL_PER_MJ = 0.45 * 4.57;

/** Where trays stand and what shines on them. */
export interface LightAt {
  readonly latitude_deg: number;
  readonly dayOfYear: number;
  /** Share of possible sunshine, 0 to 1. */
  readonly sunshine_frac: number;
  /** Share of daylight that comes through the cover; 0 in a dark chamber. */
  readonly cover_frac: number;
  /** Lamps: micromol per square metre and second over the trays, and hours a day. */
  readonly lamps_umol_m2_s: number;
  readonly lamps_h: number;
}

/**
 * Daily light integral, mol per square metre and day: sun through the cover, and lamps (PPFD x hours x 0.0036).
 * @throws RangeError for shares and hours out of bounds
 */
export function dailyLight_mol_m2(at: LightAt): number {
  const { cover_frac: through_frac, lamps_umol_m2_s, lamps_h } = at;
  const light = { through_frac, secondFilm: false, shade_frac: 0, lamps_umol_m2_s, lamps_h };
  return lightUnder_mol_m2(light, solar_MJ_m2(at.latitude_deg, at.dayOfYear, at.sunshine_frac));
}

/** What a second film over a house lets through of what the first does. Common practice, no source. */
const SECOND_FILM_frac = 0.85;

/** Share of daylight that comes through a place's glazing, second film and shade. */
export const passes_frac = ({ through_frac, secondFilm, shade_frac }: PlaceLight): number =>
  through_frac * (secondFilm ? SECOND_FILM_frac : 1) * (1 - shade_frac);

/**
 * Daily light under a place's glazing, second film and shade, with its lamps, mol per m2.
 * @throws RangeError for shares outside 0 to 1 and lamps out of bounds
 */
export function lightUnder_mol_m2(light: PlaceLight, sun_MJ_m2: number): number {
  requireRange(WORDS.shareOfLightThroughThe, light.through_frac, 0, 1);
  requireRange(WORDS.shareShaded, light.shade_frac, 0, 1);
  requireRange(WORDS.hoursOfLamps, light.lamps_h, 0, 24);
  requireRange(WORDS.lampsMicromolPerM2And, light.lamps_umol_m2_s, 0, 3000);
  return sun_MJ_m2 * MOL_PER_MJ * passes_frac(light) + light.lamps_umol_m2_s * light.lamps_h * 0.0036;
}

/**
 * Photothermal ratio, mol per square metre and degree-day: light over warmth above the base. Low = leggy.
 * @returns null when it is too cold to grow
 * @source Liu & Heins 1997, HortScience 32, 497; the ratio as light integral over thermal time above base
 */
export function photothermalRatio(light_mol_m2: number, mean_C: number, base_C: number): number | null {
  const warm = mean_C - base_C;
  return warm > 0 ? light_mol_m2 / warm : null;
}

/** Below this ratio seedlings stretch. Common practice, no source. */
export const LEGGY_RATIO = 0.3;

/** Light of a place when nothing is measured. Common practice, no source. */
export const USUAL_LIGHT = { sunshine_frac: 0.35, cover_frac: 0.6, lamps_umol_m2_s: 150, lamps_h: 14 } as const;
