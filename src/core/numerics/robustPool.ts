import { requireRange } from './guard.ts';
import { WORDS } from '../../words/en/numerics/robustPool.ts';

/** One thing seen: its figure, how far it can be off, and what it shares with others (its variety, its lot, its place). */
export interface Observed {
  readonly value: number;
  readonly sd: number;
  /** One entry for each group standard deviation; two observations share it where both are the same and not null. */
  readonly groups: readonly (number | string | null)[];
}

/** How far things differ: all of a kind together, those of each group, and one from the next. */
export interface Scales {
  readonly base_sd: number;
  readonly group_sds: readonly number[];
  readonly noise_sd: number;
  /** Chance that something was wrong with an observation, and how far off it may be then. */
  readonly wrong_frac: number;
  readonly wrong_sd: number;
}

export interface Pooled {
  readonly mean: number;
  /** Of the target itself, without what the next observation of it differs by. */
  readonly sd: number;
  /** For each observation the chance that something was wrong with it. */
  readonly wrong_fracs: readonly number[];
}

const SWEEPS = 60;
const SETTLED = 1e-7;

/**
 * What observations say of a target: a normal model of several levels, each observation either as it should be or, with a
 * small chance, wrong by much. One wrong observation among good ones is all but left out; a single one that is far off moves
 * the answer in the measure that it may be right. Worked out by expectation propagation over the mixture (for one
 * observation exact in its mean). Its prior mean is 0.
 * @param target groups of what is asked about, null where it is about all
 * @throws RangeError when a figure is not finite or a spread is not above 0
 * @source Minka 2001, Expectation Propagation for approximate Bayesian inference (the clutter problem); Rasmussen & Williams
 * 2006, Gaussian Processes for Machine Learning, ch. 3.6
 */
export function robustPool(target: Observed['groups'], observed: readonly Observed[], scales: Scales): Pooled {
  requireRange('spread', scales.base_sd, 1e-6, 10);
  requireRange(WORDS.chanceThatSomethingWasWrong, scales.wrong_frac, 0, 0.5);
  for (const o of observed) {
    requireRange(WORDS.observedFigure, o.value, -20, 20);
    requireRange(WORDS.itsError, o.sd, 0, 20);
  }
  const shared = (a: Observed['groups'], b: Observed['groups']): number =>
    scales.group_sds.reduce(
      (sum, sd, k) => sum + (a[k] !== null && a[k] !== undefined && a[k] === b[k] ? sd * sd : 0),
      scales.base_sd ** 2,
    );
  const whole = scales.group_sds.reduce((sum, sd) => sum + sd * sd, scales.base_sd ** 2);
  const n = observed.length;
  if (n === 0) return { mean: 0, sd: Math.sqrt(whole), wrong_fracs: [] };
  const K = observed.map((a, i) => observed.map((b, j) => (i === j ? whole : shared(a.groups, b.groups))));
  const noise = observed.map((o) => scales.noise_sd ** 2 + o.sd ** 2);
  const sites = noise.map((v, i) => ({ precision: 1 / v, pull: observed[i]!.value / v }));
  const wrong_fracs = noise.map(() => scales.wrong_frac);
  for (let sweep = 0; sweep < SWEEPS; sweep++) {
    const now = posterior(K, sites);
    let moved = 0;
    for (let i = 0; i < n; i++) {
      const { precision, pull } = sites[i]!;
      const without = 1 / now.variance[i]! - precision;
      if (!(without > 1e-12)) continue;
      const cavity = { variance: 1 / without, mean: (now.mean[i]! / now.variance[i]! - pull) / without };
      const seen = throughMixture(cavity, observed[i]!.value, noise[i]!, scales);
      wrong_fracs[i] = seen.wrong_frac;
      const wanted = Math.max(1e-6, 1 / seen.variance - without);
      const wantedPull = seen.mean * (wanted + without) - cavity.mean * without;
      // Half a step at a time, so that two that doubt each other do not swing to and fro.
      const next = { precision: (precision + wanted) / 2, pull: (pull + wantedPull) / 2 };
      moved = Math.max(
        moved,
        Math.abs(next.precision - precision) / precision,
        Math.abs(next.pull - pull) / (1 + Math.abs(pull)),
      );
      sites[i] = next;
    }
    if (moved < SETTLED) break;
  }
  const link = observed.map((o) => shared(target, o.groups));
  const roots = sites.map((s) => Math.sqrt(s.precision));
  const low = lowerOf(K, roots);
  const scaled = link.map((l, i) => l * roots[i]!);
  const through = solve(low, scaled);
  const mean = through.reduce((sum, t, i) => sum + (t / roots[i]!) * sites[i]!.pull, 0);
  const variance = whole - through.reduce((sum, t, i) => sum + t * scaled[i]!, 0);
  return { mean, sd: Math.sqrt(Math.max(1e-12, variance)), wrong_fracs };
}

const density = (x: number, variance: number): number => Math.exp((-x * x) / (2 * variance)) / Math.sqrt(variance);

/** Mean and variance of what is thought of one target after its own observation, right or wrong. */
function throughMixture(
  cavity: { readonly mean: number; readonly variance: number },
  value: number,
  noise: number,
  { wrong_frac, wrong_sd }: Scales,
): { mean: number; variance: number; wrong_frac: number } {
  const off = value - cavity.mean;
  const kinds = [noise, noise + wrong_sd ** 2].map((v) => {
    const gain = cavity.variance / (cavity.variance + v);
    return { like: density(off, cavity.variance + v), mean: cavity.mean + gain * off, variance: gain * v };
  });
  const right = (1 - wrong_frac) * kinds[0]!.like;
  const wrong = wrong_frac * kinds[1]!.like;
  const share = right + wrong > 0 ? wrong / (right + wrong) : 1;
  const mean = (1 - share) * kinds[0]!.mean + share * kinds[1]!.mean;
  const square =
    (1 - share) * (kinds[0]!.variance + kinds[0]!.mean ** 2) + share * (kinds[1]!.variance + kinds[1]!.mean ** 2);
  return { mean, variance: Math.max(1e-12, square - mean * mean), wrong_frac: share };
}

/** Lower triangle L of I + R K R = L Lᵀ, R the roots of the sites' precisions. */
function lowerOf(K: readonly (readonly number[])[], roots: readonly number[]): number[][] {
  const n = roots.length;
  const low = K.map((row, i) => row.map((k, j) => (i === j ? 1 : 0) + roots[i]! * k * roots[j]!));
  for (let j = 0; j < n; j++) {
    for (let k = 0; k < j; k++) low[j]![j]! -= low[j]![k]! ** 2;
    low[j]![j] = Math.sqrt(Math.max(1e-12, low[j]![j]!));
    for (let i = j + 1; i < n; i++) {
      for (let k = 0; k < j; k++) low[i]![j]! -= low[i]![k]! * low[j]![k]!;
      low[i]![j]! /= low[j]![j]!;
    }
  }
  return low;
}

/** x of L Lᵀ x = b. */
function solve(low: readonly (readonly number[])[], b: readonly number[]): number[] {
  const n = b.length;
  const x = [...b];
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < i; k++) x[i]! -= low[i]![k]! * x[k]!;
    x[i]! /= low[i]![i]!;
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let k = i + 1; k < n; k++) x[i]! -= low[k]![i]! * x[k]!;
    x[i]! /= low[i]![i]!;
  }
  return x;
}

/** Mean and variance at each observation, all sites taken in. */
function posterior(
  K: readonly (readonly number[])[],
  sites: readonly { readonly precision: number; readonly pull: number }[],
): { mean: number[]; variance: number[] } {
  const roots = sites.map((s) => Math.sqrt(s.precision));
  const low = lowerOf(K, roots);
  const pulls = sites.map((s) => s.pull);
  const drive = K.map((row) => row.reduce((sum, k, j) => sum + k * pulls[j]!, 0));
  const part = solve(
    low,
    drive.map((d, i) => d * roots[i]!),
  );
  const mean = K.map((row, i) => drive[i]! - row.reduce((sum, k, j) => sum + k * roots[j]! * part[j]!, 0));
  const variance = K.map((row, i) => {
    // Half of the solution is enough: the squared length of L⁻¹ R k.
    let sum = 0;
    const half: number[] = [];
    for (let a = 0; a < row.length; a++) {
      let v = row[a]! * roots[a]!;
      for (let k = 0; k < a; k++) v -= low[a]![k]! * half[k]!;
      v /= low[a]![a]!;
      half.push(v);
      sum += v * v;
    }
    return Math.max(1e-12, K[i]![i]! - sum);
  });
  return { mean, variance };
}
