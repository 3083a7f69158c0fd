import type { DayNumber } from '../calendar/dayNumber.ts';

/** Lows of one night under a cover and outside. */
export interface PairedNight {
  readonly day: DayNumber;
  readonly inside_C: number;
  readonly outside_C: number;
}

/** What a cover is worth on the night. */
export interface CoverWorth {
  /** Degrees it adds to the low, as a mean. */
  readonly worth_K: number;
  /** How far single nights lie from that. */
  readonly spread_K: number;
  /** Nights it rests on. */
  readonly nights: number;
  /** Whether the site's own nights have replaced the usual figure. */
  readonly own: boolean;
  /** What to count on: met or passed in nine nights of ten. */
  readonly safe_K: number;
}

/** Own nights that replace the usual figure. */
export const OWN_NIGHTS = 3;
/** Spread of single nights about a cover's worth before any are known, K. Common practice, no source. */
const USUAL_SPREAD_K = 1.5;
/** Share of a normal below which a tenth lies. */
const TENTH_Z = 1.2816;

/**
 * The worth of a cover from the site's own paired readings; the usual figure until there are three. The spread is drawn towards
 * the usual one as if four nights had been seen.
 * @param usual_K worth by the school chosen
 * @param nights in any order; one that repeats a day counts once, the last given
 */
export function coverWorth(usual_K: number, nights: readonly PairedNight[]): CoverWorth {
  const byDay = new Map(nights.map((n) => [n.day, n.inside_C - n.outside_C]));
  const gains = [...byDay.values()];
  const n = gains.length;
  const own = n >= OWN_NIGHTS;
  const worth_K = own ? gains.reduce((a, b) => a + b, 0) / n : usual_K;
  const squares = own ? gains.reduce((sum, g) => sum + (g - worth_K) ** 2, 0) : 0;
  const spread_K = Math.sqrt((4 * USUAL_SPREAD_K ** 2 + squares) / (4 + (own ? n - 1 : 0)));
  // A cover has never been seen to chill by more than a kelvin; radiation under thin film does by a little.
  return { worth_K, spread_K, nights: n, own, safe_K: Math.max(-1, worth_K - TENTH_Z * spread_K) };
}

/** Schools of what a layer is worth. */
export type LayerSchool = 'degrees' | 'weeks';
/** Weeks a layer brings dates forward by that school. Common practice, no source. */
export const LAYER_WEEKS = 3.5;
