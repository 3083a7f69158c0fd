import { requireRange } from '../numerics/guard.ts';
import { robustPool } from '../numerics/robustPool.ts';
import { afterLooks, beliefOf, meansOf, PLAIN_PRIOR, upShare, type Look, type Prior } from './belief.ts';
import { WORDS } from '../../words/en/germination/learning.ts';

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
  /** Spread between its seeds with the error of its log, as the looks alone say it; null when they do not. */
  readonly sigma: number | null;
  readonly sigma_logSd: number | null;
  readonly up: number;
  /** Seeds that had time to come up by the last look: a part of those sown while a tray is still coming. */
  readonly sown: number;
}

/** Tray-to-tray and lot-to-lot differences of log time, and how often a tray's time is wrong by much. Common practice, no source. */
const TIME = { base_sd: 0.25, group_sds: [0.1, 0.1], noise_sd: 0.08, wrong_frac: 0.15, wrong_sd: 0.7 };
/** The same of the log of the spread between seeds. Common practice, no source. */
const SPREAD = {
  base_sd: 0.3,
  group_sds: [0.1, 0.1],
  noise_sd: 0.1,
  wrong_frac: 0.05,
  wrong_sd: 0.5,
};
/** Seeds of other trays that count as one seed of this lot: of the same lot, variety, crop. Common practice, no source. */
const SAME_LOT = 0.6;
const SAME_VARIETY = 0.25;
const SAME_CROP = 0.1;
/** Seeds the share thought to come is worth before any tray, and how alike trays of a lot are, in seeds. Common practice, no source. */
const MEAN_seeds = 55;
const TRAY_seeds = 45;
/** Seeds a test on a packet or of a supplier is taken to rest on where nothing is said. Common practice, no source. */
export const USUAL_TEST_seeds = 50;

/**
 * Seeds that the share of the next tray is known from: those of the lot's test, and as alike as trays of a lot are. Without a test
 * what a share is worth when nothing is known.
 */
export function seedsBehindShare(tested_seeds: number | null): number {
  if (tested_seeds === null || tested_seeds < 1) return PLAIN_PRIOR.most_seeds;
  return 1 / (1 / (TRAY_seeds + 1) + 1 / (tested_seeds + 1)) - 1;
}

/** Trays learned from, the latest: older ones add next to nothing. */
export const MOST_trays = 30;
/** What is thought before a tray says anything by itself: hardly anything of its time, little of its spread. */
const LOOSE_logTime_sd = 0.6;
const LOOSE_logSigma_sd = 0.6;

/**
 * What one tray says: its log time and the spread between its seeds worked out with hardly any belief before, together with
 * the share that comes. A count that ends when the tray leaves the heat is cut off there, not the end of it. null when fewer
 * than three came up.
 * @param looks in order; progress by the crop's own rate
 * @param expected_frac share thought to come up: without it a tray half up would be taken for one that is done, and quick
 */
export function trayEstimate(looks: readonly Look[], sown: number, expected_frac: number): TrayEstimate | null {
  const up = looks.at(-1)?.up ?? 0;
  if (up < 3 || looks.length < 2) return null;
  const most_frac = Math.min(0.98, Math.max(expected_frac, up / sown));
  const loose = {
    logTime: 0,
    logTime_sd: LOOSE_logTime_sd,
    sigma: PLAIN_PRIOR.sigma,
    sigma_logSd: LOOSE_logSigma_sd,
    most_frac,
    most_seeds: PLAIN_PRIOR.most_seeds,
    dead_frac: 0,
  };
  // The grid is drawn closer about what it found, until it is fine enough for a full tray.
  let now = meansOf(afterLooks(beliefOf(loose), looks, sown));
  for (const least of [0.06, 0.015]) {
    const logTime_sd = Math.max(least, 1.3 * now.logTime_sd);
    const logSigma_sd = Math.max(least, 1.3 * now.logSigma_sd);
    now = meansOf(afterLooks(beliefOf(loose, { ...now, logTime_sd, logSigma_sd }), looks, sown));
  }
  const had = sown * upShare(looks.at(-1)!.progress * Math.exp(-now.logTime), now.sigma);
  return {
    logTime: now.logTime,
    logTime_sd: Math.max(0.01, now.logTime_sd),
    ...spreadSaid(now.logSigma, now.logSigma_sd),
    up,
    sown: Math.max(up, had),
  };
}

/** What the looks alone say of the log of the spread: what was thought before is taken out again. null: nothing. */
function spreadSaid(logSigma: number, sd: number): Pick<TrayEstimate, 'sigma' | 'sigma_logSd'> {
  const before = LOOSE_logSigma_sd ** -2;
  const precision = Math.max(0.02, sd) ** -2 - before;
  if (precision < before / 4) return { sigma: null, sigma_logSd: null };
  const own = (logSigma * (precision + before) - Math.log(PLAIN_PRIOR.sigma) * before) / precision;
  return { sigma: Math.exp(Math.min(0, Math.max(-3.5, own))), sigma_logSd: precision ** -0.5 };
}

export interface Learned {
  readonly prior: Prior;
  /** Trays it rests on, of this lot, of the variety, of the crop. */
  readonly trays_count: number;
  readonly lotTrays_count: number;
  readonly varietyTrays_count: number;
  /** Factor on the library's time to half up; 1 = as the library says. */
  readonly time_factor: number;
  /** Trays of them that were more likely wrong than right: they hardly count. */
  readonly doubted_count: number;
}

/**
 * The house's own time, spread and share for a lot (or a variety, or the crop where lot and variety are null): log time and
 * log spread pooled over crop, variety, lot and tray at once, each tray either as it should be or wrong by much; beta
 * counting of what came up, a tray that was probably wrong counting less.
 * @param estimates of the house's trays of this crop, the latest last
 * @param expected_frac share thought to come up before any tray: the lot's test and the field
 * @source Gelman et al. 2013, Bayesian Data Analysis, ch. 2, 5 and 17 (updating in several levels, beta-binomial, mixtures for
 * outliers)
 */
export function learn(
  target: { readonly lotId: number | null; readonly varietyId: number | null },
  estimates: readonly (TrayEstimate & Pick<TrayLearned, 'lotId' | 'varietyId'>)[],
  expected_frac: number,
): Learned {
  requireRange(WORDS.shareThoughtToComeUp, expected_frac, 0, 10);
  const trays = estimates.slice(-MOST_trays);
  const groupsOf = (of: typeof target) => [of.varietyId, of.lotId];
  const time = robustPool(
    groupsOf(target),
    trays.map((e) => ({ value: e.logTime, sd: e.logTime_sd, groups: groupsOf(e) })),
    TIME,
  );
  const spread = robustPool(
    groupsOf(target),
    trays.flatMap((e) =>
      e.sigma === null
        ? []
        : [{ value: Math.log(e.sigma / PLAIN_PRIOR.sigma), sd: e.sigma_logSd ?? 0.3, groups: groupsOf(e) }],
    ),
    SPREAD,
  );
  const sameLot = (e: typeof target) => e.lotId !== null && e.lotId === target.lotId;
  const sameVariety = (e: typeof target) => e.varietyId !== null && e.varietyId === target.varietyId;
  let a = Math.min(0.98, Math.max(0.02, expected_frac)) * MEAN_seeds;
  let b = MEAN_seeds - a;
  trays.forEach((e, i) => {
    const near = sameLot(e) ? SAME_LOT : sameVariety(e) ? SAME_VARIETY : SAME_CROP;
    // A full tray says no more of the others than trays are alike.
    const worth = TRAY_seeds / (TRAY_seeds + e.sown);
    const weight = near * worth * (1 - time.wrong_fracs[i]!);
    a += weight * e.up;
    b += weight * (e.sown - e.up);
  });
  return {
    prior: {
      logTime: time.mean,
      logTime_sd: Math.hypot(time.sd, TIME.noise_sd),
      sigma: PLAIN_PRIOR.sigma * Math.exp(spread.mean),
      sigma_logSd: Math.hypot(spread.sd, SPREAD.noise_sd),
      most_frac: a / (a + b),
      // The mean is unsure and the next tray differs from it: both together.
      most_seeds: 1 / (1 / (TRAY_seeds + 1) + 1 / (a + b + 1)) - 1,
      dead_frac: PLAIN_PRIOR.dead_frac,
    },
    ...traysCounted(target, estimates),
    time_factor: Math.exp(time.mean),
    doubted_count: time.wrong_fracs.filter((chance) => chance > 0.5).length,
  };
}

/** Trays of the same lot, of the same variety, and all. */
export function traysCounted(
  target: Pick<TrayLearned, 'lotId' | 'varietyId'>,
  trays: readonly Pick<TrayLearned, 'lotId' | 'varietyId'>[],
): Pick<Learned, 'trays_count' | 'lotTrays_count' | 'varietyTrays_count'> {
  const alike = (key: 'lotId' | 'varietyId') =>
    trays.filter((tray) => tray[key] !== null && tray[key] === target[key]).length;
  return { trays_count: trays.length, lotTrays_count: alike('lotId'), varietyTrays_count: alike('varietyId') };
}
