import { below, seededRandom, type Random } from '../numerics/random.ts';
import { insert, pinnedHolds } from './construct.ts';
import { bestPlan, makeBench, type Bench } from './insert.ts';
import type { Problem, Task } from './problem.ts';
import { addPlan, costOf, removePlan, restoreRow, setRow, unplacedPrice, type Plan, type State } from './state.ts';

export interface SearchOptions {
  readonly seed: number;
  /** How many moves to try; cooling follows this count, so that the same seed gives the same answer. */
  readonly moves: number;
  /** Moves between two reports. */
  readonly reportEvery?: number;
  /** Batches that may be moved; all when not given. */
  readonly only?: ReadonlySet<number>;
  /** Whether set-points may be changed. */
  readonly setPoints?: boolean;
  /** Called with every plan found on the way, for a pool. */
  readonly onPlan?: (state: State, plan: Plan) => void;
}

export interface SearchReport {
  readonly move: number;
  readonly moves: number;
  readonly cost: number;
  readonly best: number;
}

/** Temperature of the annealing at the start and end, as shares of the mean price of a batch. */
const HOT_frac = 0.12;
const COLD_frac = 0.004;
const MOST_TOGETHER = 40;
/** In a season of so few batches set-points matter more than who stands where. */
const FEW = 40;

/**
 * Large-neighbourhood search: takes out batches that stand near each other in place and time, or all that stand in a run
 * of set-point blocks, changes the set-point, and puts them back the cheapest way; keeps the outcome if it is better, or
 * by chance while the search is warm. Yields reports; the state ends as the best found. A caller that stops early must
 * call `return()`, which leaves the best found in the state as well.
 */
export function* improve(state: State, options: SearchOptions): Generator<SearchReport, void> {
  const search = new Search(state, options);
  const every = options.reportEvery ?? 200;
  try {
    for (let move = 0; move < options.moves; move++) {
      search.step(move / options.moves);
      if ((move + 1) % every === 0)
        yield { move: move + 1, moves: options.moves, cost: costOf(state), best: search.bestCost };
    }
  } finally {
    search.finish();
  }
}

/** Runs a search to its end. */
export function improveAll(state: State, options: SearchOptions): void {
  const run = improve(state, { ...options, reportEvery: options.moves });
  while (run.next().done !== true) continue;
}

class Search {
  bestCost: number;
  private readonly problem: Problem;
  private readonly random: Random;
  private readonly bench: Bench;
  private readonly movable: readonly Task[];
  private readonly heated: readonly number[];
  private readonly bestPlans: (Plan | null)[];
  private readonly bestRows: Uint8Array;
  private readonly scale: number;
  private readonly out: number[] = [];
  private readonly old: (Plan | null)[] = [];
  private readonly score: Float64Array;

  constructor(
    private readonly state: State,
    private readonly options: SearchOptions,
  ) {
    this.problem = state.problem;
    this.random = seededRandom(options.seed);
    this.bench = makeBench(state.problem);
    this.movable = state.problem.tasks.filter((t) => !t.spec.pinned && (options.only?.has(t.index) ?? true));
    this.heated =
      options.setPoints === false
        ? []
        : state.problem.instance.places.flatMap((place, p) => (place.levels.length > 1 ? [p] : []));
    this.bestPlans = [...state.plans];
    this.bestRows = state.rows.slice();
    this.bestCost = costOf(state);
    this.scale = Math.max(1, this.bestCost / Math.max(1, this.movable.length));
    this.score = new Float64Array(state.problem.tasks.length);
  }

  step(progress: number): void {
    if (this.movable.length === 0) return;
    const hot = this.scale * HOT_frac * Math.pow(COLD_frac / HOT_frac, progress);
    const draw = this.random();
    const few = this.movable.length <= FEW;
    if (this.heated.length > 0 && draw < (few ? 0.5 : 0.3)) this.relevel(hot);
    else if (this.heated.length > 0 && draw < (few ? 0.62 : 0.36)) this.vacate(hot);
    else this.cluster(hot);
  }

  /** Takes out batches related to one and puts them back. */
  private cluster(hot: number): void {
    const seed = this.pickSeed();
    const size = Math.min(this.movable.length, 2 + below(this.random, 7));
    const target = seed.spec.target;
    const mask = placesMask(this.state.plans[seed.index]);
    const { out, score } = this;
    out.length = 0;
    for (const task of this.movable) {
      const near = Math.abs(task.spec.target - target) / 10;
      const shares = mask === 0 || (placesMask(this.state.plans[task.index]) & mask) !== 0 ? 0 : 1.5;
      score[task.index] = near + shares + this.random() * 4;
    }
    score[seed.index] = -1;
    // The few lowest, by insertion into a short sorted list.
    for (const task of this.movable) {
      const s = score[task.index]!;
      if (out.length === size && s >= score[out[size - 1]!]!) continue;
      let i = out.length < size ? out.length : size - 1;
      while (i > 0 && score[out[i - 1]!]! > s) {
        out[i] = out[i - 1]!;
        i--;
      }
      out[i] = task.index;
    }
    this.attempt(hot, null, null);
  }

  /** Changes the set-point of a run of blocks of a place and puts back all that stood there. */
  private relevel(hot: number): void {
    const { problem, state, random } = this;
    const p = this.heated[below(random, this.heated.length)]!;
    const B = problem.blocks;
    const { frozenBlocks, places } = problem.instance;
    if (frozenBlocks >= B) return;
    const from = frozenBlocks + below(random, B - frozenBlocks);
    const length = random() < 0.15 ? B : 1 + below(random, 6);
    const to = Math.min(B, from + length);
    const levels = places[p]!.levels.length;
    const now = state.rows[p * B + from]!;
    let level = random() < 0.7 ? now + (random() < 0.5 ? -1 : 1) : below(random, levels);
    if (random() < 0.15 && from > 0) level = state.rows[p * B + from - 1]!;
    if (level < 0 || level >= levels) return;
    if (!this.standingIn(p, from, to)) return;
    for (let i = below(random, 3); i > 0; i--) this.addUnplaced();
    this.attempt(hot, { p, from, to, level }, null);
  }

  /** Takes everything out of a run of blocks of a place and puts it elsewhere, so that the place need not be heated. */
  private vacate(hot: number): void {
    const { problem, random } = this;
    const p = this.heated[below(random, this.heated.length)]!;
    const from = below(random, problem.blocks);
    const to = Math.min(problem.blocks, from + 1 + below(random, 5));
    if (!this.standingIn(p, from, to)) return;
    this.attempt(hot, null, p);
  }

  /** Lists in `out` all that stands in blocks [from, to) of a place; false when that is too much or may not be moved. */
  private standingIn(p: number, from: number, to: number): boolean {
    const { problem, state, out } = this;
    const { blockOf } = problem;
    out.length = 0;
    for (const task of problem.tasks) {
      const plan = state.plans[task.index];
      if (!plan) continue;
      for (let k = task.first; k < task.stageCount; k++) {
        const end = plan.days[k + 1]!;
        if (end < 0) break;
        if (plan.places[k] !== p || end <= plan.days[k]!) continue;
        if (blockOf[end - 1]! < from || blockOf[plan.days[k]!]! >= to) continue;
        if (this.options.only && !this.options.only.has(task.index)) return false;
        out.push(task.index);
        break;
      }
    }
    return out.length <= MOST_TOGETHER;
  }

  private addUnplaced(): void {
    const task = this.movable[below(this.random, this.movable.length)]!;
    const start = task.index;
    const n = this.movable.length;
    for (let i = 0; i < n; i++) {
      const t = this.movable[(start + i) % n]!;
      if (this.state.plans[t.index] || this.out.includes(t.index)) continue;
      this.out.push(t.index);
      return;
    }
  }

  private pickSeed(): Task {
    const { movable, random, state } = this;
    let dearest = movable[below(random, movable.length)]!;
    // Of a few at random the dearest: unplaced before late before the rest.
    for (let i = 0; i < 2; i++) {
      const other = movable[below(random, movable.length)]!;
      if (priceOf(state, other) > priceOf(state, dearest) && random() < 0.8) dearest = other;
    }
    return dearest;
  }

  /** Takes `out` out, sets a row, puts `out` back, and keeps or undoes it all. */
  private attempt(
    hot: number,
    set: { p: number; from: number; to: number; level: number } | null,
    notPlace: number | null,
  ): void {
    const { state, problem, out, old, random, bench } = this;
    const before = costOf(state);
    const B = problem.blocks;
    const oldRow = set ? state.rows.slice(set.p * B, (set.p + 1) * B) : null;
    const oldVersion = set ? state.rowVersion[set.p]! : 0;
    const wereHeld = set
      ? out.filter((i) => problem.tasks[i]!.spec.pinned && pinnedHolds(state, problem.tasks[i]!))
      : [];
    old.length = 0;
    for (const i of out) old.push(removePlan(state, i));
    let good = true;
    if (set) {
      setRow(state, set.p, set.from, set.to, set.level);
      good = wereHeld.every((i) => pinnedHolds(state, problem.tasks[i]!));
    }
    if (good) {
      this.order();
      for (const i of out) {
        const task = problem.tasks[i]!;
        if (notPlace === null || task.spec.pinned) {
          insert(state, task, bench);
        } else {
          const not = task.spec.stages.map(() => new Set([notPlace]));
          const plan = bestPlan(state, task, bench, { notPlaces: not });
          if (plan) addPlan(state, plan);
          else insert(state, task, bench);
        }
        const plan = state.plans[i];
        if (plan && this.options.onPlan) this.options.onPlan(state, plan);
      }
      const delta = costOf(state) - before;
      if (delta <= 1e-9 || random() < Math.exp(-delta / hot)) {
        if (costOf(state) < this.bestCost - 1e-9) this.keep();
        return;
      }
    }
    for (const i of out) removePlan(state, i);
    if (set) restoreRow(state, set.p, oldRow!, oldVersion);
    // `old` was listed before `out` was put into another order.
    for (const plan of old) if (plan) addPlan(state, plan);
  }

  /** Order of putting back: pinned first, those standing somewhere next, then by chance, by size or by date. */
  private order(): void {
    const { out, random, score } = this;
    const { tasks } = this.problem;
    const by = random();
    for (const i of out) {
      const { spec, slots } = tasks[i]!;
      const rank = spec.pinned ? -3e6 : spec.under ? -2e6 : 0;
      const noise = random();
      if (by < 0.4) score[i] = rank + noise;
      else if (by < 0.7) score[i] = rank - slots[slots.length - 1]! * spec.weight * (0.7 + 0.6 * noise);
      else score[i] = rank + spec.target + 14 * noise;
    }
    out.sort((a, b) => score[a]! - score[b]! || a - b);
  }

  private keep(): void {
    const { state, bestPlans } = this;
    this.bestCost = costOf(state);
    for (let i = 0; i < bestPlans.length; i++) bestPlans[i] = state.plans[i]!;
    this.bestRows.set(state.rows);
  }

  /** Leaves the best found in the state, its sums worked out anew. */
  finish(): void {
    putInto(this.state, this.bestPlans, this.bestRows);
  }
}

/** Makes a state hold these plans and rows. */
export function putInto(state: State, plans: readonly (Plan | null)[], rows: Uint8Array): void {
  for (let i = 0; i < plans.length; i++) removePlan(state, i);
  const { placeCount, blocks } = state.problem;
  for (let p = 0; p < placeCount; p++) {
    restoreRow(state, p, rows.subarray(p * blocks, (p + 1) * blocks), ++state.problem.versions);
  }
  state.heat = state.changes = state.prices = state.unplaced = 0;
  for (const task of state.problem.tasks) state.unplaced += unplacedPrice(state.problem, task);
  for (const plan of plans) if (plan) addPlan(state, plan);
}

function priceOf(state: State, task: Task): number {
  const plan = state.plans[task.index];
  return plan ? plan.price / task.spec.trays : 1e9;
}

function placesMask(plan: Plan | null | undefined): number {
  if (!plan) return 0;
  let mask = 0;
  for (let k = 0; k < plan.places.length; k++) {
    const p = plan.places[k]!;
    if (p >= 0) mask |= 1 << (p & 31);
  }
  return mask;
}
