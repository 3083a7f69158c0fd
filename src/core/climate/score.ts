import { normalCdf } from '../numerics/normal.ts';
import { requireRange } from '../numerics/guard.ts';

/** A forecast low held against what the thermometer then read. */
export interface ForecastPair {
  /** Days ahead, 0 = made on the day. */
  readonly lead: number;
  readonly forecast_C: number;
  readonly read_C: number;
}

/** How far forecasts of a lead are off. */
export interface LeadScore {
  readonly lead: number;
  /** Pairs it rests on. */
  readonly n: number;
  /** Forecast less reading: above 0, nights come out colder than told. */
  readonly bias_K: number;
  /** Standard deviation of what is left. */
  readonly spread_K: number;
}

/** Days a forecast reaches. */
export const LEADS = 10;
/** Spread of forecast lows before anything is known of the site: 1.2 K on the day, a quarter more each day. Common practice, no source. */
export function usualSpread_K(lead: number): number {
  return 1.2 + 0.27 * lead;
}
/** Pairs the usual spread is worth. */
const WORTH = 8;

/**
 * Scores of forecasts by lead: bias drawn towards none, spread towards the usual one, each as if eight pairs had been seen before
 * (conjugate normal and inverse-gamma updating, means reported).
 * @returns one entry for each lead 0 to 9; bands widen with lead: none is tighter than the lead before it
 * @source Gelman et al. 2013, Bayesian Data Analysis, ch. 3.3 (form of the update; from memory)
 */
export function scoresOf(pairs: readonly ForecastPair[]): LeadScore[] {
  const scores: LeadScore[] = [];
  for (let lead = 0; lead < LEADS; lead++) {
    const errors = pairs.filter((p) => p.lead === lead).map((p) => p.forecast_C - p.read_C);
    const n = errors.length;
    const bias_K = errors.reduce((sum, e) => sum + e, 0) / (n + WORTH);
    const squares = errors.reduce((sum, e) => sum + (e - bias_K) ** 2, 0);
    const own = Math.sqrt((WORTH * usualSpread_K(lead) ** 2 + squares) / (WORTH + n));
    scores.push({ lead, n, bias_K, spread_K: Math.max(own, scores.at(-1)?.spread_K ?? 0) });
  }
  return scores;
}

/** The score of a lead; beyond the last, that of the last. */
export function scoreAt(scores: readonly LeadScore[], lead: number): LeadScore {
  return scores[Math.max(0, Math.min(scores.length - 1, lead))]!;
}

/** The odds that a forecast low comes out at or below a temperature. */
export function oddsAtOrBelow(forecast_C: number, at_C: number, score: LeadScore): number {
  requireRange('forecast low, degrees C', forecast_C, -90, 60);
  return normalCdf((at_C - (forecast_C - score.bias_K)) / score.spread_K);
}
