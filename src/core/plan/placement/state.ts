import { NEAR_OVER_AGE, type StageSpec } from './instance.ts';
import { trackOf, type Problem, type Task } from './problem.ts';
import { NONE, refreshTrack, type Track } from './track.ts';

/** Where and when one batch stands. Immutable. */
export interface Plan {
  readonly task: number;
  /** Place of each stage; NONE before the first stage placed. */
  readonly places: Int16Array;
  /** Day each stage is entered, and last the day it goes out. A plan cut short (it could not be placed on) has NONE after. */
  readonly days: Int16Array;
  /** Days waited in each stage beyond what it needed. */
  readonly waits: Int16Array;
  /** Its own price: late, early, waiting, growing old, moves, and its toll. */
  readonly price: number;
  /** The part of its price for days that bring it to flower or are uncomfortable, which follows the set-points. */
  readonly toll: number;
  /** Takes room whether there is any or not: pinned, or there already and nowhere to go. */
  readonly forced: boolean;
  /** As its own forecast has it, to the hour: its days may be a day sooner than noons allow. */
  readonly kept?: boolean;
}

/** A placement being worked on: set-points, plans, room taken, price. Everything is kept up to date at each change. */
export interface State {
  readonly problem: Problem;
  /** Level of each place's blocks: rows[place x blocks + block]. */
  readonly rows: Uint8Array;
  readonly rowVersion: Int32Array;
  /** Room left: free[place x days + day], hundredths of a slot; below 0 where something forced takes more than there is. */
  readonly free: Int32Array;
  /** Stays that touch a place's block. */
  readonly count: Int16Array;
  readonly plans: (Plan | null)[];
  /** Price of a slot part taken beyond the room there is, while plans are talked over; 0 = room is hard. */
  overdrawn_perPart: number;
  /** Slot parts x days taken beyond the room there is. */
  over_partDays: number;
  /** While plans are talked over: what a slot part of a place costs on a day because it has been fought over, [place x days + day]. */
  readonly crowded: Float64Array;
  /** The same of all days of a place before a day, [place x (days + 1) + day]. */
  readonly crowdedBefore: Float64Array;
  /** What all plans pay of that. */
  crowding: number;
  /** Minutes of work in each block, and the price of what is beyond the hands there are. */
  readonly work_min: Float64Array;
  overtime: number;
  heat: number;
  changes: number;
  prices: number;
  unplaced: number;
  /** For each place: whether what is derived from rows and counts is stale. */
  readonly stale: Uint8Array;
  /**
   * Price of heating what is not heated yet for a stay, and of the set-point changes it brings: heatTo of the last block it is
   * there less heatFrom of its first, [place x blocks + block].
   */
  readonly heatFrom: Float64Array;
  readonly heatTo: Float64Array;
}

export function emptyState(problem: Problem): State {
  const { placeCount: P, blocks, instance } = problem;
  const rows = new Uint8Array(P * blocks);
  instance.places.forEach((place, p) => {
    for (let b = 0; b < blocks; b++) rows[p * blocks + b] = place.row[b]!;
  });
  const state: State = {
    problem,
    rows,
    rowVersion: new Int32Array(P).map(() => ++problem.versions),
    free: problem.room.slice(),
    count: new Int16Array(P * blocks),
    plans: new Array<Plan | null>(problem.tasks.length).fill(null),
    overdrawn_perPart: 0,
    over_partDays: 0,
    crowded: new Float64Array(P * problem.days),
    crowdedBefore: new Float64Array(P * (problem.days + 1)),
    crowding: 0,
    work_min: new Float64Array(blocks),
    overtime: 0,
    heat: 0,
    changes: 0,
    prices: 0,
    unplaced: 0,
    stale: new Uint8Array(P).fill(1),
    heatFrom: new Float64Array(P * blocks),
    heatTo: new Float64Array(P * blocks),
  };
  for (const task of problem.tasks) state.unplaced += unplacedPrice(problem, task);
  return state;
}

/** The whole price of a state, in the nursery's money. */
export function costOf(state: State): number {
  const { heat, changes, prices, unplaced, overtime, overdrawn_perPart, over_partDays, crowding } = state;
  return heat + changes + prices + unplaced + overtime + overdrawn_perPart * over_partDays + crowding;
}

export function unplacedPrice(problem: Problem, task: Task): number {
  return problem.instance.weights.unplaced_perTray * task.spec.trays * task.spec.weight;
}

/** What a plan's toll of a tray is multiplied by. */
export const tollRate = ({ spec }: Task): number => spec.trays * spec.weight;

/** Price of the nth day of waiting in a stage that may wait so many. */
export function waitPrice(problem: Problem, task: Task, nth: number, most: number): number {
  const rate = problem.instance.weights.wait_perTrayDay * task.spec.trays;
  return nth * 2 > most ? rate * NEAR_OVER_AGE : rate;
}

/** Price of the days by which a stage takes longer than is fair to gain its need. */
export function ageingPrice(problem: Problem, task: Task, stage: StageSpec, days: number): number {
  const { fair_days } = stage;
  if (fair_days === undefined || days <= fair_days) return 0;
  return problem.instance.weights.ageing_perTrayDay * task.spec.trays * (days - fair_days);
}

/** Price of so many more minutes of work in a block. */
export function overtimePrice({ problem, work_min }: State, block: number, minutes: number): number {
  const { hands_min, weights } = problem.instance;
  const hands = hands_min?.[block];
  if (hands === undefined || minutes === 0) return 0;
  const was = work_min[block]! - hands;
  const is = was + minutes;
  return ((Math.max(0, is) - Math.max(0, was)) * weights.overtime_perHour) / 60;
}

/** Puts a plan's work into its weeks, or takes it out. */
function doWork(state: State, task: Task, plan: Plan, sign: 1 | -1): void {
  if (!task.work_min) return;
  for (const [block, minutes] of workOfPlan(state.problem, plan)) {
    state.overtime += overtimePrice(state, block, sign * minutes);
    state.work_min[block]! += sign * minutes;
  }
}

/** Blocks in which a plan has work, with the minutes; what a batch is in already is done. */
export function workOfPlan(
  { tasks, blockOf }: Problem,
  { task: index, days }: Plan,
): [block: number, minutes: number][] {
  const { work_min, first, stageCount, spec } = tasks[index]!;
  const work: [number, number][] = [];
  if (!work_min) return work;
  for (let k = spec.inProgress ? first + 1 : first; k <= stageCount; k++)
    if (days[k] !== NONE) work.push([blockOf[days[k]!]!, work_min[k]!]);
  return work;
}

/** Price of the days of a plan that bring its plants to flower or are uncomfortable, at the set-points as they are. */
export function tollPrice(state: State, task: Task, places: ArrayLike<number>, days: ArrayLike<number>): number {
  let sum = 0;
  for (let k = task.first; k < task.stageCount; k++) {
    if (places[k] === NONE || days[k + 1] === NONE) continue;
    const { tollBefore } = freshTrack(state, task.spec.stages[k]!, places[k]!);
    if (tollBefore) sum += tollBefore[days[k + 1]!]! - tollBefore[days[k]!]!;
  }
  return sum * tollRate(task);
}

/** The track of a stage in a place, up to date with the set-points. */
export function freshTrack(state: State, stage: number, place: number): Track {
  const { problem } = state;
  const track = problem.tracks[stage * problem.placeCount + place] ?? trackOf(problem, stage, place);
  const version = state.rowVersion[place]!;
  if (track.version !== version) {
    const spec = problem.instance.stages[stage]!;
    refreshTrack(track, spec, state.rows, place * problem.blocks, problem.blockOf, problem.days);
    track.version = version;
  }
  return track;
}

export function addPlan(state: State, plan: Plan): void {
  const task = state.problem.tasks[plan.task]!;
  state.plans[plan.task] = plan;
  state.prices += plan.price;
  state.unplaced -= unplacedPrice(state.problem, task);
  if (plan.days[task.stageCount] === NONE) state.unplaced += unplacedPrice(state.problem, task);
  doWork(state, task, plan, 1);
  occupy(state, task, plan, 1);
}

export function removePlan(state: State, taskIndex: number): Plan | null {
  const plan = state.plans[taskIndex];
  if (!plan) return null;
  const task = state.problem.tasks[taskIndex]!;
  state.plans[taskIndex] = null;
  state.prices -= plan.price;
  state.unplaced += unplacedPrice(state.problem, task);
  if (plan.days[task.stageCount] === NONE) state.unplaced -= unplacedPrice(state.problem, task);
  doWork(state, task, plan, -1);
  occupy(state, task, plan, -1);
  return plan;
}

function occupy(state: State, task: Task, plan: Plan, sign: 1 | -1): void {
  const { problem, free, count, stale } = state;
  const { days: D, blocks: B, blockOf } = problem;
  for (let k = task.first; k < task.stageCount; k++) {
    const to = plan.days[k + 1]!;
    if (to === NONE) break;
    const from = plan.days[k]!;
    if (to <= from) continue;
    const p = plan.places[k]!;
    const slots = sign * task.slots[k]!;
    const base = p * D;
    let over = 0;
    for (let d = base + from; d < base + to; d++) {
      const was = free[d]!;
      const is = was - slots;
      free[d] = is;
      if (is < 0) over -= is;
      if (was < 0) over += was;
    }
    state.over_partDays += over;
    state.crowding += slots * crowdedIn(state, p, from, to);
    const last = blockOf[to - 1]!;
    for (let b = blockOf[from]!; b <= last; b++) {
      const at = p * B + b;
      if (sign > 0 ? count[at]!++ === 0 : --count[at]! === 0) blockTurned(state, p, b, sign);
    }
    stale[p] = 1;
  }
}

/**
 * Raises the price of what is overdrawn now and lets the rest of it fade: what several want again and again grows dear, until those
 * who have another way take it.
 * @param kept share of the price that stays
 * @param per price for a slot part of a day that is wholly overdrawn
 * @source negotiated congestion with history, McMurchie & Ebeling 1995 (from memory)
 */
export function raiseCrowded(state: State, kept: number, per: number): void {
  const { crowded, free, problem } = state;
  for (let i = 0; i < crowded.length; i++) {
    const room = problem.room[i]!;
    const over = free[i]! < 0 ? (room > 0 ? Math.min(1, -free[i]! / room) : 1) : 0;
    crowded[i] = kept * crowded[i]! + per * over;
  }
  recount(state);
}

/** Forgets what was fought over. */
export function clearCrowded(state: State): void {
  state.crowded.fill(0);
  state.crowdedBefore.fill(0);
  state.crowding = 0;
}

/** What a slot part pays for days [from, to) in a place for having been fought over. */
export function crowdedIn({ crowdedBefore, problem }: State, p: number, from: number, to: number): number {
  const base = p * (problem.days + 1);
  return crowdedBefore[base + to]! - crowdedBefore[base + from]!;
}

function recount(state: State): void {
  const { crowded, crowdedBefore, problem } = state;
  const D = problem.days;
  for (let p = 0; p < problem.placeCount; p++)
    for (let d = 0; d < D; d++)
      crowdedBefore[p * (D + 1) + d + 1] = crowdedBefore[p * (D + 1) + d]! + crowded[p * D + d]!;
  state.crowding = 0;
  for (const plan of state.plans) {
    if (!plan) continue;
    const task = problem.tasks[plan.task]!;
    for (let k = task.first; k < task.stageCount && plan.days[k + 1] !== NONE; k++)
      state.crowding += task.slots[k]! * crowdedIn(state, plan.places[k]!, plan.days[k]!, plan.days[k + 1]!);
  }
}

/** A block has come into use (sign 1) or fallen out of use (-1); its count is already changed. */
function blockTurned(state: State, p: number, b: number, sign: 1 | -1): void {
  const { problem, rows, count } = state;
  const B = problem.blocks;
  const level = rows[p * B + b]!;
  state.heat += sign * problem.heat[p]![level * B + b]!;
  const price = sign * problem.instance.weights.setPointChange;
  if (b > 0 && count[p * B + b - 1]! > 0 && rows[p * B + b - 1] !== level) state.changes += price;
  if (b + 1 < B && count[p * B + b + 1]! > 0 && rows[p * B + b + 1] !== level) state.changes += price;
}

/** Sets blocks [from, to) of a place to a level. Nothing may stand there on those blocks. */
export function setRow(state: State, p: number, from: number, to: number, level: number): void {
  const B = state.problem.blocks;
  for (let b = from; b < to; b++) {
    if (state.count[p * B + b] !== 0)
      throw new RangeError(`block ${b} of place ${p} is in use; take out what stands there first`);
    state.rows[p * B + b] = level;
  }
  state.rowVersion[p] = ++state.problem.versions;
  state.stale[p] = 1;
}

/** Puts a place's row back to what it was at a version. Nothing may stand on a block that differs. */
export function restoreRow(state: State, p: number, row: Uint8Array, version: number): void {
  state.rows.set(row, p * state.problem.blocks);
  state.rowVersion[p] = version;
  state.stale[p] = 1;
}

/** Brings heatFrom and heatTo of a place up to date. */
export function freshHeat(state: State, p: number): void {
  if (state.stale[p] === 0) return;
  const { problem, rows, count, heatFrom, heatTo } = state;
  const B = problem.blocks;
  const heat = problem.heat[p]!;
  const change = problem.instance.weights.setPointChange;
  const at = p * B;
  // What is not heated yet before a block, and changes between blocks up to it that are not made yet.
  let idle = 0;
  let changes = 0;
  for (let b = 0; b < B; b++) {
    const differs = b > 0 && rows[at + b] !== rows[at + b - 1];
    const inUse = count[at + b]! > 0;
    const beforeInUse = b > 0 && count[at + b - 1]! > 0;
    if (differs && !(inUse && beforeInUse)) changes += change;
    heatFrom[at + b] = idle + changes - (differs && beforeInUse && !inUse ? change : 0);
    if (!inUse) idle += heat[rows[at + b]! * B + b]!;
    const nextDiffers = b + 1 < B && rows[at + b] !== rows[at + b + 1];
    heatTo[at + b] = idle + changes + (nextDiffers && !inUse && count[at + b + 1]! > 0 ? change : 0);
  }
  state.stale[p] = 0;
}
