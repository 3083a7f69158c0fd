import { requireRange } from '../numerics/guard.ts';
import { afterLooks, beliefOf, meansOf, PLAIN_PRIOR, upShare, type Look, type Prior } from './belief.ts';

/** A tray the house has raised: whose it was and what its looks say. */
export interface TrayLearned {
  readonly lotId: number | null;
  readonly varietyId: number | null;
  readonly looks: readonly Look[];
  readonly sown: number;
}

/** What one tray says by itself: log of its time to half up against the library's, with its error, and the share up. */
export interface TrayEstimate {
  readonly logTime: number;
  readonly logTime_sd: number;
  readonly sigma: number | null;
  readonly up: number;
  /** Seeds that had time to come up by the last look: a part of those sown while a tray is still coming. */
  readonly sown: number;
}

/** Tray-to-tray and lot-to-lot differences of log time. Common practice, no source. */
const CROP_sd = 0.25;
const VARIETY_sd = 0.1;
const LOT_sd = 0.1;
const TRAY_sd = 0.08;
/** Seeds of other trays that count as one seed of this lot: of the same lot, variety, crop. Common practice, no source. */
const SAME_LOT = 0.6;
const SAME_VARIETY = 0.25;
const SAME_CROP = 0.1;
/** Spread between seeds: what the library's figure is worth, in trays. */
const SIGMA_TRAYS = 4;

/**
 * What one tray says: its log time worked out with hardly any belief before, together with the share that comes and the spread
 * between seeds. A count that ends when the tray leaves the heat is cut off there, not the end of it. null when fewer than three
 * came up.
 * @param looks in order; progress by the crop's own rate
 * @param expected_frac share thought to come up: without it a tray half up would be taken for one that is done, and quick
 */
export function trayEstimate(looks: readonly Look[], sown: number, expected_frac: number): TrayEstimate | null {
  const up = looks.at(-1)?.up ?? 0;
  if (up < 3 || looks.length < 2) return null;
  const rises = looks.filter((look, i) => look.up > (looks[i - 1]?.up ?? 0)).length;
  const most_frac = Math.min(0.98, Math.max(expected_frac, up / sown));
  const passAt = (logTime: number, logTime_sd: number, sigma: number) =>
    meansOf(
      afterLooks(
        beliefOf({ logTime, logTime_sd, sigma, most_frac, most_seeds: PLAIN_PRIOR.most_seeds, dead_frac: 0 }),
        looks,
        sown,
      ),
    );
  const first = passAt(0, 0.6, PLAIN_PRIOR.sigma);
  // What is thought of the spread between its seeds: one or two rises say when, not how spread, so the library's stands then.
  const fits = SPREADS.map((spread) => {
    const apart = Math.log(spread / PLAIN_PRIOR.sigma) / SPREAD_logSd;
    if (rises < 3) return (-apart * apart) / 2;
    let most = -Infinity;
    for (let i = -8; i <= 8; i++)
      most = Math.max(most, logLikelihood(looks, sown, first.logTime + i * 0.04, spread, most_frac));
    return most - (apart * apart) / 2;
  });
  const best = Math.max(...fits);
  const chances = fits.map((fit) => Math.exp(fit - best));
  const whole = chances.reduce((sum, c) => sum + c, 0);
  // Each spread says its own time: the mean of them, as unsure as they are and as they differ.
  let [logTime, square, sigma] = [0, 0, 0];
  SPREADS.forEach((spread, k) => {
    const chance = chances[k]! / whole;
    if (chance < 1e-3) return;
    const at = passAt(first.logTime, Math.max(0.15, 5 * first.logTime_sd), spread);
    logTime += chance * at.logTime;
    square += chance * (at.logTime ** 2 + at.logTime_sd ** 2);
    sigma += chance * spread;
  });
  const logTime_sd = Math.sqrt(Math.max(0, square - logTime ** 2));
  const had = sown * upShare(looks.at(-1)!.progress * Math.exp(-logTime), sigma);
  return {
    logTime,
    logTime_sd: Math.max(0.01, logTime_sd),
    sigma: rises >= 3 ? sigma : null,
    up,
    sown: Math.max(up, had),
  };
}

const SPREADS = [0.08, 0.11, 0.15, 0.2, 0.27, 0.36, 0.5];
/** How unsure the library's spread is, standard deviation of its log. Common practice, no source. */
const SPREAD_logSd = 0.6;

/** Log chance of the looks, but for parts that do not hang on time or spread. */
function logLikelihood(looks: readonly Look[], sown: number, logTime: number, sigma: number, most: number): number {
  let total = 0;
  let was = 0;
  let up = 0;
  for (const look of looks) {
    const now = upShare(look.progress * Math.exp(-logTime), sigma);
    if (look.up > up) total += (look.up - up) * Math.log(Math.max(1e-12, now - was));
    [was, up] = [now, look.up];
  }
  return total + (sown - up) * Math.log(Math.max(1e-12, 1 - most * was));
}

export interface Learned {
  readonly prior: Prior;
  /** Trays it rests on, of this lot, of the variety, of the crop. */
  readonly trays_count: number;
  readonly lotTrays_count: number;
  readonly varietyTrays_count: number;
  /** Factor on the library's time to half up; 1 = as the library says. */
  readonly time_factor: number;
}

/**
 * The house's own time, spread and share for a lot (or a variety, or the crop where lot and variety are null): normal
 * updating of log time over crop, variety, lot and tray at once, a conjugate normal model solved whole; beta counting of
 * what came up; the spread a weighted mean of variances.
 * @param estimates of the house's trays of this crop
 * @param expected_frac share thought to come up before any tray: the lot's test and the field
 * @source Gelman et al. 2013, Bayesian Data Analysis, ch. 2 and 5 (normal and beta-binomial updating)
 */
export function learn(
  target: { readonly lotId: number | null; readonly varietyId: number | null },
  estimates: readonly (TrayEstimate & Pick<TrayLearned, 'lotId' | 'varietyId'>)[],
  expected_frac: number,
): Learned {
  requireRange('share thought to come up', expected_frac, 0, 10);
  const n = estimates.length;
  const sameVariety = (a: { varietyId: number | null }, b: { varietyId: number | null }) =>
    a.varietyId !== null && a.varietyId === b.varietyId;
  const sameLot = (a: { lotId: number | null }, b: { lotId: number | null }) => a.lotId !== null && a.lotId === b.lotId;
  const shared = (a: typeof target, b: typeof target) =>
    CROP_sd ** 2 + (sameVariety(a, b) ? VARIETY_sd ** 2 : 0) + (sameLot(a, b) ? LOT_sd ** 2 : 0);
  const whole = CROP_sd ** 2 + VARIETY_sd ** 2 + LOT_sd ** 2;
  const matrix = estimates.map((a, i) =>
    estimates.map((b, j) => (i === j ? whole + TRAY_sd ** 2 + a.logTime_sd ** 2 : shared(a, b))),
  );
  const link = estimates.map((e) => shared(target, e));
  const pull = n > 0 ? solveSymmetric(matrix, link) : [];
  const logTime = pull.reduce((sum, w, i) => sum + w * estimates[i]!.logTime, 0);
  const variance = whole + TRAY_sd ** 2 - pull.reduce((sum, w, i) => sum + w * link[i]!, 0);

  let a = Math.min(0.98, Math.max(0.02, expected_frac)) * PLAIN_PRIOR.most_seeds;
  let b = PLAIN_PRIOR.most_seeds - a;
  let squares = SIGMA_TRAYS * PLAIN_PRIOR.sigma ** 2;
  let spreads = SIGMA_TRAYS;
  for (const e of estimates) {
    const weight = sameLot(target, e) ? SAME_LOT : sameVariety(target, e) ? SAME_VARIETY : SAME_CROP;
    a += weight * e.up;
    b += weight * (e.sown - e.up);
    if (e.sigma !== null) {
      squares += e.sigma ** 2;
      spreads += 1;
    }
  }
  return {
    prior: {
      logTime,
      logTime_sd: Math.sqrt(Math.max(1e-6, variance)),
      sigma: Math.sqrt(squares / spreads),
      most_frac: a / (a + b),
      most_seeds: a + b,
      dead_frac: PLAIN_PRIOR.dead_frac,
    },
    trays_count: n,
    lotTrays_count: estimates.filter((e) => sameLot(target, e)).length,
    varietyTrays_count: estimates.filter((e) => sameVariety(target, e)).length,
    time_factor: Math.exp(logTime),
  };
}

/** Solves A x = b for a symmetric positive definite A by Cholesky. */
function solveSymmetric(matrix: readonly (readonly number[])[], b: readonly number[]): number[] {
  const n = b.length;
  const low = matrix.map((row) => [...row]);
  for (let j = 0; j < n; j++) {
    for (let k = 0; k < j; k++) low[j]![j]! -= low[j]![k]! ** 2;
    if (!(low[j]![j]! > 0)) throw new RangeError('the covariances of the trays do not fit together');
    low[j]![j] = Math.sqrt(low[j]![j]!);
    for (let i = j + 1; i < n; i++) {
      for (let k = 0; k < j; k++) low[i]![j]! -= low[i]![k]! * low[j]![k]!;
      low[i]![j]! /= low[j]![j]!;
    }
  }
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
