import { binomialAtLeast, binomialPmf } from '../numerics/binomial.ts';
import { requireRange } from '../numerics/guard.ts';
import { normalCdf } from '../numerics/normal.ts';
import { WORDS } from '../../words/en/batch/seedsToSow.ts';

export interface SeedsQuestion {
  /** Good plants wanted, 1 to 100,000. */
  readonly plantsWanted: number;
  /** Chance with which at least so many are wanted, 0.5 to 0.999. */
  readonly confidence: number;
  /** Share that germinates in the test, 0 to 1; above 1 for seed balls that hold several seeds. */
  readonly germination_frac: number;
  /** Share of those that come up in the house's mix; 1 = as in the test. */
  readonly field_frac: number;
  /** Share lost between coming up and potting, and share thrown out at potting. */
  readonly loss_frac: number;
  readonly cull_frac: number;
  /** Seeds to a cell; 1 for a seed tray that is pricked out. */
  readonly seedsPerCell: number;
  /** Of seedlings beyond the first in a cell, share teased out and set into an empty cell; 0 = thinned. */
  readonly teased_frac: number;
  /** Seeds the share that comes up is known from, tests and trays together; absent or null: known for certain. */
  readonly behind_seeds?: number | null;
}

export interface SeedsAnswer {
  /** Cells (or seeds of a seed tray) to sow. */
  readonly cells: number;
  readonly seeds: number;
  /** Chance that one seed gives a good plant, before teasing. */
  readonly good_frac: number;
  /** Chance of ending with fewer than wanted. */
  readonly short_frac: number;
  readonly mean_plants: number;
  /** Chance of each number of good plants, from `from` on. */
  readonly chances: readonly number[];
  readonly from: number;
  /** Whether every case was counted, or the normal curve taken for so many. */
  readonly exact: boolean;
}

const MOST_CELLS = 400_000;
/**
 * Up to so many seeds, when several share a cell, every case is counted; beyond, mean and variance of so many are
 * stretched and the normal curve is used.
 */
const COUNTED_SEEDS = 1200;

/**
 * Cells to sow so that at least the plants wanted remain with the chosen confidence: binomial through germination, field,
 * losses and culls, the share itself as unsure as the seeds it is known from (beta); with several seeds to a cell, seedlings beyond the first fill empty cells as far as they are teased out.
 * @returns null when no number will do: nothing germinates or all is lost
 * @throws RangeError for shares out of bounds
 * @source binomial quantile; beta-binomial: Gelman et al. 2013, Bayesian Data Analysis, sec. 2.4; teasing doubles apart is common practice
 * @example seedsToSow({plantsWanted: 100, confidence: 0.9, germination_frac: 0.85, field_frac: 1, loss_frac: 0, cull_frac: 0, seedsPerCell: 1, teased_frac: 0})!.seeds // 124
 */
export function seedsToSow(question: SeedsQuestion): SeedsAnswer | null {
  requireRange(WORDS.plantsWanted, question.plantsWanted, 1, 100_000);
  requireRange('confidence', question.confidence, 0.5, 0.999);
  requireRange('germination', question.germination_frac, 0, 5);
  requireRange(WORDS.fieldFactor, question.field_frac, 0, 1.2);
  requireRange('losses', question.loss_frac, 0, 1);
  requireRange('culls', question.cull_frac, 0, 1);
  requireRange(WORDS.seedsToACell, question.seedsPerCell, 1, 12);
  requireRange('teased', question.teased_frac, 0, 1);
  if (question.behind_seeds != null) requireRange(WORDS.seedsTheShareIsKnown, question.behind_seeds, 1, 1e6);
  const kept = (1 - question.loss_frac) * (1 - question.cull_frac);
  if (question.germination_frac * question.field_frac * kept <= 0) return null;
  const enough = (cells: number) => 1 - shortOf(question, cells) >= question.confidence;
  let high = question.plantsWanted;
  while (!enough(high)) {
    if (high >= MOST_CELLS) return null;
    high = Math.min(MOST_CELLS, high * 2);
  }
  let low = Math.ceil(high / 2);
  if (high === question.plantsWanted) low = 1;
  while (low < high) {
    const mid = (low + high) >> 1;
    if (enough(mid)) high = mid;
    else low = mid + 1;
  }
  return oddsOf(question, high);
}

/** The odds when so many cells are sown. */
export function oddsOf(question: SeedsQuestion, cells: number): SeedsAnswer {
  const { mean, variance, chances } = plantsFrom(question, cells);
  const sd = Math.sqrt(variance);
  const from = Math.max(0, Math.floor(mean - 4.5 * sd));
  const to = Math.min(cells, Math.ceil(mean + 4.5 * sd));
  const list: number[] = [];
  for (let k = from; k <= to; k++) list.push(chances ? (chances[k] ?? 0) : normalBar(k, mean, sd));
  return {
    cells,
    seeds: cells * question.seedsPerCell,
    good_frac: Math.min(1, chanceUp(question)) * keptOf(question),
    short_frac: shortOf(question, cells),
    mean_plants: mean,
    chances: list,
    from,
    exact: chances !== null,
  };
}

const normalBar = (k: number, mean: number, sd: number): number =>
  sd > 0 ? normalCdf((k + 0.5 - mean) / sd) - normalCdf((k - 0.5 - mean) / sd) : Number(k === Math.round(mean));
const keptOf = ({ loss_frac, cull_frac }: SeedsQuestion): number => (1 - loss_frac) * (1 - cull_frac);
const bornPerSeed = (q: SeedsQuestion): number => q.germination_frac * q.field_frac;
/**
 * Chance that a seed comes up. A test above 100% counts sprouts of seed balls: then the chance that a ball gives at least
 * one, sprouts falling on balls by chance (Poisson; common practice, no source).
 */
function chanceUp(q: SeedsQuestion): number {
  const born = bornPerSeed(q);
  return q.germination_frac > 1 ? 1 - Math.exp(-born) : Math.min(1, born);
}

function shortOf(question: SeedsQuestion, cells: number): number {
  const ways = waysOf(question);
  return ways.reduce((sum, way) => sum + shortIf(way, cells), 0) / ways.length;
}

function shortIf(question: SeedsQuestion, cells: number): number {
  const { plantsWanted } = question;
  if (question.seedsPerCell === 1) {
    return 1 - binomialAtLeast(plantsWanted, cells, chanceUp(question) * keptOf(question));
  }
  const { mean, variance, chances } = plantsIf(question, cells);
  if (!chances) {
    const sd = Math.sqrt(variance);
    return sd > 0 ? normalCdf((plantsWanted - 0.5 - mean) / sd) : Number(mean < plantsWanted);
  }
  let short = 0;
  for (let k = 0; k < Math.min(plantsWanted, chances.length); k++) short += chances[k]!;
  return short;
}

/** Ways the share may be that are as likely, each as a question with its share known. */
const WAYS = 9;
const GRID = 600;

function waysOf(q: SeedsQuestion): readonly SeedsQuestion[] {
  const share = bornPerSeed(q);
  // Sprouts of seed balls are not a share.
  if (q.behind_seeds == null || q.germination_frac > 1 || share > 1 || share <= 0) return [q];
  // The middle of each ninth of the beta about the share.
  const mean = Math.min(0.995, Math.max(0.005, share));
  const [a, b] = [mean * q.behind_seeds, (1 - mean) * q.behind_seeds];
  const x = Array.from({ length: GRID }, (_, i) => (i + 0.5) / GRID);
  const log = x.map((p) => (a - 1) * Math.log(p) + (b - 1) * Math.log1p(-p));
  const most = Math.max(...log);
  const weights = log.map((l) => Math.exp(l - most));
  const whole = weights.reduce((sum, w) => sum + w, 0);
  const shares: number[] = [];
  let sum = 0;
  for (let i = 0; i < GRID && shares.length < WAYS; i++) {
    const next = sum + weights[i]! / whole;
    while (shares.length < WAYS && next >= (shares.length + 0.5) / WAYS) {
      const within = ((shares.length + 0.5) / WAYS - sum) / (next - sum);
      shares.push((i + within) / GRID);
    }
    sum = next;
  }
  return shares.map((p) => ({ ...q, behind_seeds: null, germination_frac: p, field_frac: 1 }));
}

/** Distribution of good plants from so many cells; `chances` null where the normal curve is used. */
function plantsFrom(q: SeedsQuestion, cells: number): { mean: number; variance: number; chances: number[] | null } {
  const ways = waysOf(q).map((way) => plantsIf(way, cells));
  if (ways.length === 1) return ways[0]!;
  const mean = ways.reduce((sum, w) => sum + w.mean, 0) / ways.length;
  const variance = ways.reduce((sum, w) => sum + w.variance + (w.mean - mean) ** 2, 0) / ways.length;
  if (ways.some((w) => w.chances === null)) return { mean, variance, chances: null };
  const chances = ways[0]!.chances!.map((_, k) => ways.reduce((sum, w) => sum + w.chances![k]!, 0) / ways.length);
  return { mean, variance, chances };
}

/** The same with the share known. */
function plantsIf(q: SeedsQuestion, cells: number): { mean: number; variance: number; chances: number[] | null } {
  const p = chanceUp(q);
  const kept = keptOf(q);
  if (q.seedsPerCell === 1) {
    const one = p * kept;
    const [mean, variance] = [cells * one, cells * one * (1 - one)];
    if (cells > 20_000) return { mean, variance, chances: null };
    return { mean, variance, chances: Array.from({ length: cells + 1 }, (_, k) => binomialPmf(k, cells, one)) };
  }
  const cell = cellYield(p, q.seedsPerCell, q.teased_frac);
  const counted = Math.max(1, Math.floor(COUNTED_SEEDS / q.seedsPerCell));
  if (cells > counted) {
    const some = plantsIf(q, counted);
    return { mean: (some.mean * cells) / counted, variance: (some.variance * cells) / counted, chances: null };
  }
  const up = power(cell, cells);
  const standing = new Array<number>(cells + 1).fill(0);
  up.forEach((c, k) => (standing[Math.min(cells, k)]! += c));
  const chances = new Array<number>(cells + 1).fill(0);
  for (let y = 0; y <= cells; y++) {
    if (standing[y]! < 1e-12) continue;
    for (let k = 0; k <= y; k++) chances[k]! += standing[y]! * binomialPmf(k, y, kept);
  }
  const mean = chances.reduce((sum, c, k) => sum + c * k, 0);
  return { mean, variance: chances.reduce((sum, c, k) => sum + c * (k - mean) ** 2, 0), chances };
}

/** Chance that a cell yields 0, 1, ... seedlings: its first, and each further one as far as it is teased out. */
function cellYield(p: number, seeds: number, teased: number): number[] {
  const out = new Array<number>(seeds + 1).fill(0);
  for (let up = 0; up <= seeds; up++) {
    const chance = binomialPmf(up, seeds, p);
    if (up === 0) out[0]! += chance;
    else for (let more = 0; more < up; more++) out[1 + more]! += chance * binomialPmf(more, up - 1, teased);
  }
  return out;
}

/** The distribution of the sum of n like it. */
function power(one: readonly number[], n: number): number[] {
  let result: number[] = [1];
  let base: number[] = [...one];
  for (let left = n; left > 0; left >>= 1) {
    if (left & 1) result = convolve(result, base);
    if (left > 1) base = convolve(base, base);
  }
  return result;
}

function convolve(a: readonly number[], b: readonly number[]): number[] {
  const out = new Array<number>(a.length + b.length - 1).fill(0);
  for (let i = 0; i < a.length; i++) {
    const x = a[i]!;
    if (x < 1e-15) continue;
    for (let j = 0; j < b.length; j++) out[i + j]! += x * b[j]!;
  }
  return out;
}
