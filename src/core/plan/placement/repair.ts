import { bestPlan, type InsertionScratch, type Terms } from './insert.ts';
import { firstOver, type Cell } from './standing.ts';
import { addPlan, costOf, removePlan, type Plan, type State } from './state.ts';
import { SLOT_PARTS } from './problem.ts';

/** What a change to one batch brought about. The state holds the outcome; `before` puts it back. */
export interface Repair {
  /** 'clear': there is room. 'made room': others had to give way. 'over': no way was found to give it room. 'no way': it cannot be so at all, and nothing was changed. */
  readonly kind: 'clear' | 'made room' | 'over' | 'no way';
  /** Batches other than the one changed that were moved. */
  readonly moved: readonly number[];
  readonly cost: number;
  readonly before: readonly { readonly task: number; readonly plan: Plan | null }[];
}

/** Most other batches moved to make room for one. */
const MOST_MOVED = 5;
/** Most batches tried at each step. */
const MOST_TRIED = 10;

/**
 * Gives one batch the place or day the grower wants and sees to the rest: if there is no room, the batches in the way for
 * which it is cheapest give way, one after another, and no others are touched.
 */
export function repair(state: State, taskIndex: number, terms: Terms, scratch: InsertionScratch): Repair {
  const task = state.problem.tasks[taskIndex]!;
  const start = costOf(state);
  const before: { task: number; plan: Plan | null }[] = [];
  const old = removePlan(state, taskIndex);
  before.push({ task: taskIndex, plan: old });
  const plan = bestPlan(state, task, scratch, terms);
  if (plan) {
    addPlan(state, plan);
    return { kind: 'clear', moved: [], cost: costOf(state) - start, before };
  }
  const forced = bestPlan(state, task, scratch, { ...terms, ignoreRoom: true });
  if (!forced) {
    if (old) addPlan(state, old);
    return { kind: 'no way', moved: [], cost: 0, before: [] };
  }
  addPlan(state, forced);
  const moved: number[] = [];
  for (let step = 0; step < MOST_MOVED; step++) {
    const cell = firstOver(state, forced);
    if (!cell) return { kind: moved.length > 0 ? 'made room' : 'clear', moved, cost: costOf(state) - start, before };
    const gave = giveWay(state, cell, taskIndex, moved, scratch);
    if (!gave) break;
    before.push(gave);
    moved.push(gave.task);
  }
  const over = firstOver(state, forced) !== null;
  return { kind: over ? 'over' : 'made room', moved, cost: costOf(state) - start, before };
}

/** Puts back what a repair changed. */
export function undoRepair(state: State, { before }: Pick<Repair, 'before'>): void {
  for (const { task } of before) removePlan(state, task);
  for (const { plan } of before) if (plan) addPlan(state, plan);
}

/** Of the batches standing there that day, moves the one for which it is cheapest. null when none can go. */
function giveWay(
  state: State,
  { place, day }: Cell,
  keep: number,
  moved: readonly number[],
  scratch: InsertionScratch,
): { task: number; plan: Plan | null } | null {
  const { tasks, days: D } = state.problem;
  const lack = -state.free[place * D + day]!;
  const there: { task: number; slots: number }[] = [];
  for (const task of tasks) {
    const plan = state.plans[task.index];
    if (!plan || task.index === keep || moved.includes(task.index) || task.spec.pinned) continue;
    for (let k = task.first; k < task.stageCount; k++) {
      if (plan.places[k] !== place || plan.days[k]! > day || plan.days[k + 1]! <= day) continue;
      // What stands there already is not carried about for this.
      if (task.spec.inProgress && k === task.first) break;
      there.push({ task: task.index, slots: task.slots[k]! });
      break;
    }
  }
  // Those that free just enough first, then the smaller ones.
  there.sort((a, b) => rank(a.slots, lack) - rank(b.slots, lack) || a.task - b.task);
  let best: { task: number; old: Plan; plan: Plan } | null = null;
  let least = Infinity;
  const start = costOf(state);
  for (const { task } of there.slice(0, MOST_TRIED)) {
    const old = removePlan(state, task)!;
    const plan = bestPlan(state, tasks[task]!, scratch);
    if (plan) {
      addPlan(state, plan);
      const cost = costOf(state) - start;
      if (cost < least) {
        least = cost;
        best = { task, old, plan };
      }
      removePlan(state, task);
    }
    addPlan(state, old);
  }
  if (!best) return null;
  removePlan(state, best.task);
  addPlan(state, best.plan);
  return { task: best.task, plan: best.old };
}

const rank = (slots: number, lack: number): number => (slots >= lack ? slots - lack : 1e6 + lack - slots);

/** Tray slots over room in a place over days [from, to), added up. */
export function overIn(state: State, place: number, from: number, to: number): number {
  const D = state.problem.days;
  let over = 0;
  for (let d = Math.max(0, from); d < Math.min(D, to); d++) over += Math.max(0, -state.free[place * D + d]!);
  return over / SLOT_PARTS;
}
