import { logFactorial } from '../numerics/binomial.ts';
import { requireRange } from '../numerics/guard.ts';
import { normalCdf } from '../numerics/normal.ts';

/** What is thought of a lot before its tray is looked at. */
export interface Prior {
  /** Natural log of its time to half up against the crop's; 0 = as the library says. Mean and standard deviation. */
  readonly logTime: number;
  readonly logTime_sd: number;
  /** Spread between its seeds: standard deviation of the log of thermal time. */
  readonly sigma: number;
  /** Share that comes up in the end: mean, and the number of seeds that belief is worth. */
  readonly most_frac: number;
  readonly most_seeds: number;
  /** Chance that nothing will come at all: dead seed, drowned, eaten. */
  readonly dead_frac: number;
}

/** Tray-to-tray spread when nothing is known: log time 0.2, share worth 25 seeds, one tray in fifty dead. Common practice, no source. */
export const PLAIN_PRIOR = { logTime: 0, logTime_sd: 0.2, sigma: 0.2, most_seeds: 25, dead_frac: 0.02 } as const;

/** A look at a tray: progress by the crop's own rate (1 = half up as the library has it) and how many were up. */
export interface Look {
  readonly progress: number;
  readonly up: number;
}

/** Chances over log time and share up, worked out on a grid; sums to 1 with `dead`. */
export interface Belief {
  readonly logTimes: Float64Array;
  readonly shares: Float64Array;
  /** weight[i x shares + j]. */
  readonly weights: Float64Array;
  /** Chance that nothing comes. */
  readonly dead_frac: number;
  readonly sigma: number;
}

const TIMES = 31;
const SHARES = 41;
const REACH_sd = 3.5;

/**
 * Share of a lot's viable seeds that are up: Phi(ln x / sigma), with x the progress to its own half.
 * @param x progress, 0 or more; 1 = half
 * @example upShare(1, 0.2) // 0.5
 */
export function upShare(x: number, sigma: number): number {
  return x > 0 ? normalCdf(Math.log(x) / sigma) : 0;
}

/**
 * What is thought before any look.
 * @throws RangeError when the prior is out of bounds
 */
export function beliefOf(prior: Prior): Belief {
  requireRange('spread of log time', prior.logTime_sd, 1e-6, 3);
  requireRange('sigma', prior.sigma, 0.01, 2);
  requireRange('share up', prior.most_frac, 0, 10);
  requireRange('seeds the share is worth', prior.most_seeds, 0.1, 1e6);
  const logTimes = new Float64Array(TIMES);
  const shares = new Float64Array(SHARES);
  for (let i = 0; i < TIMES; i++) {
    logTimes[i] = prior.logTime + prior.logTime_sd * REACH_sd * ((2 * i) / (TIMES - 1) - 1);
  }
  for (let j = 0; j < SHARES; j++) shares[j] = (j + 0.5) / SHARES;
  const mean = Math.min(0.999, Math.max(0.001, prior.most_frac));
  const a = mean * prior.most_seeds;
  const b = (1 - mean) * prior.most_seeds;
  const log = new Float64Array(TIMES * SHARES);
  for (let i = 0; i < TIMES; i++) {
    const z = (logTimes[i]! - prior.logTime) / prior.logTime_sd;
    for (let j = 0; j < SHARES; j++) {
      const g = shares[j]!;
      log[i * SHARES + j] = (-z * z) / 2 + (a - 1) * Math.log(g) + (b - 1) * Math.log1p(-g);
    }
  }
  const weights = normalised(log, 1 - prior.dead_frac);
  return { logTimes, shares, weights, dead_frac: prior.dead_frac, sigma: prior.sigma };
}

/**
 * What is thought after the looks: each gain between two looks is one cell of a multinomial.
 * @param looks in order, progress rising and counts not falling
 * @param sown seeds sown
 * @throws RangeError when counts fall or are more than were sown
 */
export function afterLooks(before: Belief, looks: readonly Look[], sown: number): Belief {
  const { logTimes, shares, sigma } = before;
  const log = new Float64Array(before.weights.length);
  for (let n = 0; n < log.length; n++) log[n] = Math.log(before.weights[n]!);
  let up = 0;
  let progress = 0;
  const last = looks.at(-1);
  if (!last) return before;
  for (const look of looks) {
    if (!(look.up >= up && look.up <= sown && look.progress >= progress)) {
      throw new RangeError(`counts must not fall nor be more than sown: ${up} then ${look.up} of ${sown}`);
    }
    [up, progress] = [look.up, look.progress];
  }
  for (let i = 0; i < logTimes.length; i++) {
    const slow = Math.exp(-logTimes[i]!);
    // Gains of a share g are g x (F2 - F1): the part without g is the same for all shares.
    let fixed = 0;
    let was = 0;
    let upBefore = 0;
    for (const look of looks) {
      const now = upShare(look.progress * slow, sigma);
      const n = look.up - upBefore;
      if (n > 0) fixed += n * Math.log(Math.max(1e-12, now - was));
      [was, upBefore] = [now, look.up];
    }
    for (let j = 0; j < shares.length; j++) {
      const g = shares[j]!;
      log[i * shares.length + j]! += fixed + up * Math.log(g) + (sown - up) * Math.log1p(-Math.min(g * was, 1 - 1e-12));
    }
  }
  // Dead: nothing up is certain; anything up is impossible.
  if (up > 0) return { ...before, weights: normalised(log, 1), dead_frac: 0 };
  let alive = 0;
  for (const l of log) alive += Math.exp(l);
  const dead_frac = before.dead_frac / (before.dead_frac + alive);
  return { ...before, weights: normalised(log, 1 - dead_frac), dead_frac };
}

/** Mean and standard deviation of what is thought: log time, and the share that comes in the end (0 when dead). */
export function meansOf({ logTimes, shares, weights, dead_frac }: Belief): {
  readonly logTime: number;
  readonly logTime_sd: number;
  readonly most_frac: number;
  readonly most_sd: number;
} {
  const alive = 1 - dead_frac;
  let [m, mm, g, gg] = [0, 0, 0, 0];
  for (let i = 0; i < logTimes.length; i++) {
    for (let j = 0; j < shares.length; j++) {
      const w = weights[i * shares.length + j]!;
      m += w * logTimes[i]!;
      mm += w * logTimes[i]! ** 2;
      g += w * shares[j]!;
      gg += w * shares[j]! ** 2;
    }
  }
  const logTime = alive > 0 ? m / alive : 0;
  const logTime_sd = alive > 0 ? Math.sqrt(Math.max(0, mm / alive - logTime ** 2)) : 0;
  return { logTime, logTime_sd, most_frac: g, most_sd: Math.sqrt(Math.max(0, gg - g * g)) };
}

/**
 * Chances of each number up at a progress, given what is thought and what was seen last.
 * @param progress at the time asked about, not before the last look's
 * @param seen the last look, or null
 * @returns chance of 0, 1, ... sown up
 */
export function countChances(belief: Belief, progress: number, sown: number, seen: Look | null = null): Float64Array {
  const { logTimes, shares, weights, sigma, dead_frac } = belief;
  const chances = new Float64Array(sown + 1);
  const up = seen?.up ?? 0;
  const left = sown - up;
  chances[up]! += dead_frac;
  // Points of about the same chance of one coming are taken together: 400 classes of chance.
  const classes = new Float64Array(401);
  for (let i = 0; i < logTimes.length; i++) {
    const slow = Math.exp(-logTimes[i]!);
    const now = upShare(progress * slow, sigma);
    const was = seen ? upShare(seen.progress * slow, sigma) : 0;
    for (let j = 0; j < shares.length; j++) {
      const g = shares[j]!;
      const p = Math.min(1, Math.max(0, (g * (now - was)) / Math.max(1e-12, 1 - g * was)));
      classes[Math.round(p * 400)]! += weights[i * shares.length + j]!;
    }
  }
  for (let c = 0; c < classes.length; c++) {
    const weight = classes[c]!;
    if (weight < 1e-9) continue;
    const p = c / 400;
    if (p === 0 || p === 1) {
      chances[up + (p === 1 ? left : 0)]! += weight;
      continue;
    }
    const logP = Math.log(p);
    const logQ = Math.log1p(-p);
    const all = logFactorial(left);
    const sd = Math.sqrt(left * p * (1 - p));
    const from = Math.max(0, Math.floor(left * p - 8 * sd - 2));
    const to = Math.min(left, Math.ceil(left * p + 8 * sd + 2));
    for (let k = from; k <= to; k++) {
      chances[up + k]! +=
        weight * Math.exp(all - logFactorial(k) - logFactorial(left - k) + k * logP + (left - k) * logQ);
    }
  }
  return chances;
}

/**
 * Chance that a seed not yet seen still comes up in the end.
 * @param belief what is thought after the looks
 * @param seen the last look, or null before any
 * @returns 0 to 1
 */
export function stillComing_frac(belief: Belief, seen: Look | null): number {
  const { logTimes, shares, weights, sigma } = belief;
  let chance = 0;
  for (let i = 0; i < logTimes.length; i++) {
    const was = seen ? upShare(seen.progress * Math.exp(-logTimes[i]!), sigma) : 0;
    for (let j = 0; j < shares.length; j++) {
      const g = shares[j]!;
      chance += (weights[i * shares.length + j]! * g * (1 - was)) / Math.max(1e-12, 1 - g * was);
    }
  }
  return Math.min(1, Math.max(0, chance));
}

/** The smallest count that is reached or not passed with a chance q. */
export function quantileOfChances(chances: Float64Array, q: number): number {
  let sum = 0;
  for (let k = 0; k < chances.length; k++) {
    sum += chances[k]!;
    if (sum >= q - 1e-12) return k;
  }
  return chances.length - 1;
}

/** Chance of at least so many. */
export function chanceOfAtLeast(chances: Float64Array, count: number): number {
  let sum = 0;
  for (let k = Math.max(0, count); k < chances.length; k++) sum += chances[k]!;
  return Math.min(1, sum);
}

/** Mean of a list of chances. */
export function meanOfChances(chances: Float64Array): number {
  let sum = 0;
  for (let k = 0; k < chances.length; k++) sum += k * chances[k]!;
  return sum;
}

function normalised(log: Float64Array, total: number): Float64Array {
  let most = -Infinity;
  for (const l of log) if (l > most) most = l;
  const weights = new Float64Array(log.length);
  let sum = 0;
  for (let n = 0; n < log.length; n++) sum += weights[n] = Math.exp(log[n]! - most);
  for (let n = 0; n < log.length; n++) weights[n]! *= total / sum;
  return weights;
}
