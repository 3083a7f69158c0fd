import type { Crop } from '../books/crop.ts';
import { advance, MEDIUM, networkOf, stepOf, type ZoneMode } from './network.ts';
import type { ZoneSpec } from './zone.ts';

/**
 * Temperature of the medium at which young plants of a crop begin to be hurt. Common practice, no source: tropical crops
 * are checked below 10, tender below 7, half-hardy near freezing, hardy stand some frost.
 */
export function harmBelow_C(crop: Pick<Crop, 'hardiness'>): number {
  return { tropical: 10, tender: 7, 'half-hardy': 1, hardy: -3 }[crop.hardiness];
}

export interface Cooling {
  /** Bed, medium, air now. */
  readonly start_C: readonly [number, number, number];
  /** Outside for the hours to come; held at its last. */
  readonly outside_C: ArrayLike<number>;
  readonly floor_C: number;
  readonly mode: ZoneMode;
  /** What the sky takes from what is round the zone, K; absent: a cloudy night. */
  readonly sky_K?: number;
}

/**
 * What is round the zone once the heat is gone: a house keeps little of its warmth without it. Common practice, no source:
 * at most 1.5 K above outside.
 */
export function aroundUnheated_K(zone: ZoneSpec): number {
  return Math.min(zone.around.plusNight_K, 1.5);
}

/**
 * What a clear night takes from what is round the zone: thin covers and glazing look at the sky. Common practice, no source
 * (2 to 4 K).
 */
export const CLEAR_SKY_K = 3;

/** Longest looked ahead. */
export const HARM_h = 72;
const STEP_min = 5;

/**
 * Hours until the medium falls to each of the temperatures with the heater dead; null when it does not in three days.
 * The house round it is taken to cool as well. No sun is reckoned with, so that the figure errs to the safe
 * side by day.
 * @param levels_C degrees Celsius
 */
export function hoursToHarm(zone: ZoneSpec, cooling: Cooling, levels_C: readonly number[]): (number | null)[] {
  const step = stepOf(networkOf(zone, cooling.mode), STEP_min * 60);
  let x: Float64Array = Float64Array.from(cooling.start_C);
  const out: (number | null)[] = levels_C.map((level) => (x[MEDIUM]! <= level ? 0 : null));
  const last = cooling.outside_C.length - 1;
  for (let i = 0; i < (HARM_h * 60) / STEP_min && out.includes(null); i++) {
    const outside = cooling.outside_C[Math.min(last, Math.floor((i * STEP_min) / 60))]!;
    const before = x[MEDIUM]!;
    x = advance(step, x, [0, 0, outside + aroundUnheated_K(zone) - (cooling.sky_K ?? 0), cooling.floor_C]);
    const now = x[MEDIUM]!;
    levels_C.forEach((level, k) => {
      if (out[k] === null && now <= level) out[k] = ((i + (before - level) / (before - now)) * STEP_min) / 60;
    });
  }
  return out;
}
