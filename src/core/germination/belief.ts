import { logFactorial } from '../numerics/binomial.ts';
import { requireRange } from '../numerics/guard.ts';
import { normalCdf } from '../numerics/normal.ts';
import { WORDS } from '../../words/en/germination/belief.ts';

/** What is thought of a lot before its tray is looked at. */
export interface Prior {
  /** Natural log of its time to half up against the crop's; 0 = as the library says. Mean and standard deviation. */
  readonly logTime: number;
  readonly logTime_sd: number;
  /** Spread between its seeds: standard deviation of the log of thermal time. */
  readonly sigma: number;
  /** How unsure that spread is: standard deviation of its log; 0 = known. */
  readonly sigma_logSd: number;
  /** Share that comes up in the end: mean, and the number of seeds that belief is worth. */
  readonly most_frac: number;
  readonly most_seeds: number;
  /** Chance that nothing will come at all: dead seed, drowned, eaten. */
  readonly dead_frac: number;
}

/**
 * What is thought when nothing is known: log time within 0.2, spread between seeds 0.2 and that within a factor of 1.4, share
 * worth 25 seeds, one tray in fifty dead. Common practice, no source.
 */
export const PLAIN_PRIOR = {
  logTime: 0,
  logTime_sd: 0.2,
  sigma: 0.2,
  sigma_logSd: 0.35,
  most_seeds: 25,
  dead_frac: 0.02,
} as const;

/** A look at a tray: progress by the crop's own rate (1 = half up as the library has it) and how many were up. */
export interface Look {
  readonly progress: number;
  readonly up: number;
}

/** Chances over spread, log time and share up, worked out on a grid; sums to 1 with `dead`. */
export interface Belief {
  readonly logTimes: Float64Array;
  readonly shares: Float64Array;
  /** Spreads between seeds thought possible. */
  readonly sigmas: Float64Array;
  /** weight[(k x times + i) x shares + j], k over spreads, i over times, j over shares. */
  readonly weights: Float64Array;
  /** Chance that nothing comes. */
  readonly dead_frac: number;
}

const TIMES = 27;
const SHARES = 33;
/** Spreads looked at, in standard deviations of its log about its mean. */
const SIGMA_z = [-1.8, -0.9, 0, 0.9, 1.8];
const REACH_sd = 3.5;

/**
 * Share of a lot's viable seeds that are up: Phi(ln x / sigma), with x the progress to its own half.
 * @param x progress, 0 or more; 1 = half
 * @example upShare(1, 0.2) // 0.5
 */
export function upShare(x: number, sigma: number): number {
  return x > 0 ? normalCdf(Math.log(x) / sigma) : 0;
}

/** Where the grid of a belief lies, when it is not to lie about the prior itself. */
export type Around = Pick<ReturnType<typeof meansOf>, 'logTime' | 'logTime_sd' | 'logSigma' | 'logSigma_sd'>;

/**
 * What is thought before any look.
 * @param around draws the grid finer about what is known to matter; the chances stay the prior's
 * @throws RangeError when the prior is out of bounds
 */
export function beliefOf(prior: Prior, around: Around | null = null): Belief {
  requireRange(WORDS.spreadOfLogTime, prior.logTime_sd, 1e-6, 3);
  requireRange('sigma', prior.sigma, 0.01, 2);
  requireRange(WORDS.spreadOfLogSigma, prior.sigma_logSd, 0, 2);
  requireRange(WORDS.shareUp, prior.most_frac, 0, 10);
  requireRange(WORDS.seedsTheShareIsWorth, prior.most_seeds, 0.1, 1e6);
  const logTimes = new Float64Array(TIMES);
  const shares = new Float64Array(SHARES);
  for (let i = 0; i < TIMES; i++) {
    const reach = REACH_sd * ((2 * i) / (TIMES - 1) - 1);
    logTimes[i] = (around ?? prior).logTime + (around ?? prior).logTime_sd * reach;
  }
  for (let j = 0; j < SHARES; j++) shares[j] = (j + 0.5) / SHARES;
  const mean = Math.min(0.999, Math.max(0.001, prior.most_frac));
  const a = mean * prior.most_seeds;
  const b = (1 - mean) * prior.most_seeds;
  const known = prior.sigma_logSd < 1e-6;
  const middle = around?.logSigma ?? Math.log(prior.sigma);
  const width = around?.logSigma_sd ?? prior.sigma_logSd;
  const sigmas = known ? Float64Array.of(prior.sigma) : Float64Array.from(SIGMA_z, (z) => Math.exp(middle + z * width));
  const byShare = Float64Array.from(shares, (g) => (a - 1) * Math.log(g) + (b - 1) * Math.log1p(-g));
  const log = new Float64Array(sigmas.length * TIMES * SHARES);
  sigmas.forEach((sigma, k) => {
    const y = known ? 0 : Math.log(sigma / prior.sigma) / prior.sigma_logSd;
    for (let i = 0; i < TIMES; i++) {
      const z = (logTimes[i]! - prior.logTime) / prior.logTime_sd;
      for (let j = 0; j < SHARES; j++) log[(k * TIMES + i) * SHARES + j] = (-z * z - y * y) / 2 + byShare[j]!;
    }
  });
  const weights = normalised(log, 1 - prior.dead_frac);
  return { logTimes, shares, sigmas, weights, dead_frac: prior.dead_frac };
}

/**
 * What is thought after the looks: each gain between two looks is one cell of a multinomial.
 * @param looks in order, progress rising and counts not falling
 * @param sown seeds sown
 * @throws RangeError when counts fall or are more than were sown
 */
export function afterLooks(before: Belief, looks: readonly Look[], sown: number): Belief {
  const { logTimes, shares, sigmas } = before;
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
  const rise = Float64Array.from(shares, (g) => up * Math.log(g));
  for (let row = 0; row < sigmas.length * logTimes.length; row++) {
    const sigma = sigmas[Math.floor(row / logTimes.length)]!;
    const slow = Math.exp(-logTimes[row % logTimes.length]!);
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
    const at = row * shares.length;
    for (let j = 0; j < shares.length; j++)
      log[at + j]! += fixed + rise[j]! + (sown - up) * Math.log1p(-Math.min(shares[j]! * was, 1 - 1e-12));
  }
  // Dead: nothing up is certain; anything up is impossible.
  if (up > 0) return { ...before, weights: normalised(log, 1), dead_frac: 0 };
  let alive = 0;
  for (const l of log) alive += Math.exp(l);
  const dead_frac = before.dead_frac / (before.dead_frac + alive);
  return { ...before, weights: normalised(log, 1 - dead_frac), dead_frac };
}

/** Mean and standard deviation of what is thought: log time, and the share that comes in the end (0 when dead). */
export function meansOf({ logTimes, shares, sigmas, weights, dead_frac }: Belief): {
  readonly logTime: number;
  readonly logTime_sd: number;
  readonly logSigma: number;
  readonly logSigma_sd: number;
  /** The middle spread between its seeds. */
  readonly sigma: number;
  readonly most_frac: number;
  readonly most_sd: number;
} {
  const alive = 1 - dead_frac;
  let [m, mm, s, ss, g, gg] = [0, 0, 0, 0, 0, 0];
  for (let row = 0; row < sigmas.length * logTimes.length; row++) {
    const time = logTimes[row % logTimes.length]!;
    const spread = Math.log(sigmas[Math.floor(row / logTimes.length)]!);
    let whole = 0;
    for (let j = 0; j < shares.length; j++) {
      const w = weights[row * shares.length + j]!;
      whole += w;
      g += w * shares[j]!;
      gg += w * shares[j]! ** 2;
    }
    m += whole * time;
    mm += whole * time ** 2;
    s += whole * spread;
    ss += whole * spread ** 2;
  }
  const logTime = alive > 0 ? m / alive : 0;
  const logTime_sd = alive > 0 ? Math.sqrt(Math.max(0, mm / alive - logTime ** 2)) : 0;
  const middle = sigmas.reduce((sum, sigma) => sum + Math.log(sigma), 0) / sigmas.length;
  const logSigma = alive > 0 ? s / alive : middle;
  const logSigma_sd = alive > 0 ? Math.sqrt(Math.max(0, ss / alive - logSigma ** 2)) : 0;
  return {
    logTime,
    logTime_sd,
    logSigma,
    logSigma_sd,
    sigma: Math.exp(logSigma),
    most_frac: g,
    most_sd: Math.sqrt(Math.max(0, gg - g * g)),
  };
}

/**
 * Chances of each number up at a progress, given what is thought and what was seen last.
 * @param progress at the time asked about, not before the last look's
 * @param seen the last look, or null
 * @returns chance of 0, 1, ... sown up
 */
export function countChances(belief: Belief, progress: number, sown: number, seen: Look | null = null): Float64Array {
  const { logTimes, shares, sigmas, weights, dead_frac } = belief;
  const chances = new Float64Array(sown + 1);
  const up = seen?.up ?? 0;
  const left = sown - up;
  chances[up]! += dead_frac;
  // Points of about the same chance of one coming are taken together: 400 classes of chance.
  const classes = new Float64Array(401);
  for (let row = 0; row < sigmas.length * logTimes.length; row++) {
    const sigma = sigmas[Math.floor(row / logTimes.length)]!;
    const slow = Math.exp(-logTimes[row % logTimes.length]!);
    const now = upShare(progress * slow, sigma);
    const was = seen ? upShare(seen.progress * slow, sigma) : 0;
    for (let j = 0; j < shares.length; j++) {
      const w = weights[row * shares.length + j]!;
      if (w < 1e-12) continue;
      const g = shares[j]!;
      const p = Math.min(1, Math.max(0, (g * (now - was)) / Math.max(1e-12, 1 - g * was)));
      classes[Math.round(p * 400)]! += w;
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
  const { logTimes, shares, sigmas, weights } = belief;
  let chance = 0;
  for (let row = 0; row < sigmas.length * logTimes.length; row++) {
    const sigma = sigmas[Math.floor(row / logTimes.length)]!;
    const was = seen ? upShare(seen.progress * Math.exp(-logTimes[row % logTimes.length]!), sigma) : 0;
    for (let j = 0; j < shares.length; j++) {
      const g = shares[j]!;
      chance += (weights[row * shares.length + j]! * g * (1 - was)) / Math.max(1e-12, 1 - g * was);
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

/** Share of the seeds that will come that should be up at a progress, over all that is thought of its time and spread. */
export function upByNow_frac(belief: Belief, progress: number): number {
  const { logTimes, shares, sigmas, weights, dead_frac } = belief;
  let sum = 0;
  for (let row = 0; row < sigmas.length * logTimes.length; row++) {
    let whole = 0;
    for (let j = 0; j < shares.length; j++) whole += weights[row * shares.length + j]!;
    const sigma = sigmas[Math.floor(row / logTimes.length)]!;
    sum += whole * upShare(progress * Math.exp(-logTimes[row % logTimes.length]!), sigma);
  }
  return dead_frac < 1 ? sum / (1 - dead_frac) : 0;
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
