import { below, seededRandom, shuffled, type Random } from '../../numerics/random.ts';
import { insert } from './construct.ts';
import { eject } from './eject.ts';
import { bestPlan, makeScratch, type InsertionScratch } from './insert.ts';
import type { Problem, Task } from './problem.ts';
import {
  addPlan,
  clearCrowded,
  costOf,
  raiseCrowded,
  removePlan,
  restoreRow,
  setRow,
  unplacedPrice,
  type Plan,
  type State,
} from './state.ts';
import { firstOver, standsOn } from './standing.ts';
import { NONE } from './track.ts';

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

/**
 * Temperature of the annealing at the start, and at the end, as shares of the mean price of a batch. The more batches, the cooler it
 * begins: with many there are not the moves to mend what the heat undoes.
 */
const hotShare_frac = (batches_count: number): number => Math.min(0.12, Math.max(0.06, 6 / batches_count));
const COLD_frac = 0.001;
const MOST_TOGETHER = 40;
/**
 * For this share of the moves room may be overdrawn, at a price for each slot part and day that rises from the first to
 * the last figure: batches settle where they want to be and give way to each other little by little, as the price tells
 * them, instead of being shut out by whoever came first.
 */
const SOFT_frac = 0.85;
const SOFT_perPartDay = [0.0005, 0.3] as const;
/** How often a move then takes up a place and day that is overdrawn. */
const UNTANGLE_frac = 0.8;
/** How often all batches are put where they want to be before the moves begin. */
const SWEEPS = 2;
/** While any batch is left out: how often a move puts one in over the others. */
const EJECT_frac = 0.3;
const TINY = 1e-6;
/** What is fought over grows dear: this often its price is raised, by so many times the price of what is overdrawn, and so much of it stays. */
const RAISE_EVERY_frac = 0.01;
const CROWDED_per = 3;
const CROWDED_kept = 0.98;
/** In a season of so few batches set-points matter more than who stands where. */
const FEW = 30;

/**
 * Large-neighbourhood search: takes out batches that stand near each other in place and time, or all that stand in a run
 * of set-point blocks, changes the set-point, and puts them back the cheapest way; keeps the outcome if it is better, or
 * by chance while the search is warm. In larger seasons room may be overdrawn for most of the search, at a rising price;
 * what is still over at the end of that is taken out and put back within the room there is. Yields reports; the state ends
 * as the best found without anything overdrawn. A caller that stops early must call `return()`, which leaves that in the
 * state as well.
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
  private readonly scratch: InsertionScratch;
  private readonly movable: readonly Task[];
  private readonly heated: readonly number[];
  private readonly bestPlans: (Plan | null)[];
  private readonly bestRows: Uint8Array;
  private readonly scale: number;
  private readonly out: number[] = [];
  private readonly old: (Plan | null)[] = [];
  /** By batch: the plan it had when it was last taken out. */
  private readonly before: (Plan | null)[] = [];
  private readonly score: Float64Array;
  private raiseAt = 0;

  constructor(
    private readonly state: State,
    private readonly options: SearchOptions,
  ) {
    this.problem = state.problem;
    this.random = seededRandom(options.seed);
    this.scratch = makeScratch(state.problem);
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
    const few = this.movable.length <= FEW;
    if (!few && progress < SOFT_frac) {
      const [low, high] = SOFT_perPartDay;
      this.state.overdrawn_perPart = low * Math.pow(high / low, progress / SOFT_frac);
      if (progress === 0) for (let i = 0; i < SWEEPS; i++) this.sweep();
      if (progress >= this.raiseAt) {
        if (progress > 0) raiseCrowded(this.state, CROWDED_kept, CROWDED_per * this.state.overdrawn_perPart);
        this.raiseAt += RAISE_EVERY_frac;
      }
    } else if (this.state.overdrawn_perPart > 0) this.harden();
    const from_frac = hotShare_frac(this.movable.length);
    const hot = this.scale * from_frac * Math.pow(COLD_frac / from_frac, progress);
    if (this.state.overdrawn_perPart > 0 && this.random() < UNTANGLE_frac && this.untangle(hot)) return;
    if (this.state.overdrawn_perPart === 0 && this.ejectOne(hot)) return;
    const draw = this.random();
    if (this.heated.length > 0 && draw < (few ? 0.5 : 0.3)) this.relevel(hot);
    else if (this.heated.length > 0 && draw < (few ? 0.62 : 0.36)) this.vacate(hot);
    else this.cluster(hot);
  }

  /** Now and then, while any batch is left out: puts one in and lets the others make way. */
  private ejectOne(hot: number): boolean {
    const { state, movable, random } = this;
    if (state.unplaced < TINY || random() >= EJECT_frac) return false;
    const leftOut = movable.filter((task) => isLeftOut(state, task));
    if (leftOut.length === 0) return false;
    const task = leftOut[below(random, leftOut.length)]!;
    const { only, onPlan } = this.options;
    const kept = eject(state, task, this.scratch, random, hot, (t) => !t.spec.pinned && (only?.has(t.index) ?? true));
    if (!kept) return true;
    const plan = state.plans[task.index];
    if (plan && onPlan) onPlan(state, plan);
    if (costOf(state) < this.bestCost - 1e-9) this.keep();
    return true;
  }

  /** Puts each batch where it is cheapest, one after another, in an order by chance. */
  private sweep(): void {
    const { state, scratch, random } = this;
    for (const task of shuffled(this.movable, random)) insert(state, task, scratch, removePlan(state, task.index));
  }

  /** Takes out some of the batches that stand on a place and day that is overdrawn and puts them back; false when there is none. */
  private untangle(hot: number): boolean {
    const { state, problem, out, random } = this;
    const { free } = state;
    const n = free.length;
    const start = below(random, n);
    let at = start;
    while (free[at]! >= 0) {
      at = at + 1 < n ? at + 1 : 0;
      if (at === start) return false;
    }
    const p = Math.floor(at / problem.days);
    const day = at % problem.days;
    out.length = 0;
    for (const task of this.movable)
      if (standsOn(task, state.plans[task.index], { place: p, day })) out.push(task.index);
    if (out.length === 0) return false;
    const size = 1 + below(random, 5);
    while (out.length > size) out[below(random, out.length)] = out.pop()!;
    this.attempt(hot, null, null);
    return true;
  }

  /** Makes room hard again: takes out what is over, the cheapest first, and puts it back within the room there is. */
  private harden(): void {
    const { state, problem, scratch } = this;
    state.overdrawn_perPart = 0;
    clearCrowded(state);
    const byPrice = [...this.movable].sort((a, b) => unplacedPrice(problem, a) - unplacedPrice(problem, b));
    const gone = byPrice.filter((task) => {
      const plan = state.plans[task.index];
      if (plan && firstOver(state, plan) === null) return false;
      removePlan(state, task.index);
      return true;
    });
    for (const task of gone.reverse()) insert(state, task, scratch);
    if (costOf(state) < this.bestCost - 1e-9) this.keep();
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
    // What is pinned stays as it is, and so does what keeps it warm.
    if (this.out.some((i) => problem.tasks[i]!.spec.pinned)) return;
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
    const { state, problem, out, old, before, random, scratch } = this;
    const cost = costOf(state);
    const B = problem.blocks;
    const oldRow = set ? state.rows.slice(set.p * B, (set.p + 1) * B) : null;
    const oldVersion = set ? state.rowVersion[set.p]! : 0;
    old.length = 0;
    for (const i of out) {
      const plan = removePlan(state, i);
      old.push(plan);
      before[i] = plan;
    }
    if (set) setRow(state, set.p, set.from, set.to, set.level);
    this.order();
    for (const i of out) {
      const task = problem.tasks[i]!;
      if (notPlace === null || task.spec.pinned) {
        insert(state, task, scratch, before[i]);
      } else {
        const not = task.spec.stages.map(() => new Set([notPlace]));
        const plan = bestPlan(state, task, scratch, { notPlaces: not });
        if (plan) addPlan(state, plan);
        else insert(state, task, scratch);
      }
      const plan = state.plans[i];
      if (plan && this.options.onPlan) this.options.onPlan(state, plan);
    }
    const delta = costOf(state) - cost;
    if (delta <= 1e-9 || random() < Math.exp(-delta / hot)) {
      if (state.overdrawn_perPart === 0 && costOf(state) < this.bestCost - 1e-9) this.keep();
      return;
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
      const rank = spec.pinned ? -3e6 : spec.inProgress ? -2e6 : 0;
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
    if (this.state.overdrawn_perPart > 0) this.harden();
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
  state.heat = state.changes = state.prices = state.unplaced = state.overtime = 0;
  state.work_min.fill(0);
  for (const task of state.problem.tasks) state.unplaced += unplacedPrice(state.problem, task);
  for (const plan of plans) if (plan) addPlan(state, plan);
}

/** Whether a batch does not go out by any plan. */
export function isLeftOut(state: State, task: Task): boolean {
  return (state.plans[task.index]?.days[task.stageCount] ?? NONE) === NONE;
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
