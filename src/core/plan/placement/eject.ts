import { below, shuffled, type Random } from '../../numerics/random.ts';
import { insert } from './construct.ts';
import { bestPlan, type InsertionScratch } from './insert.ts';
import type { Task } from './problem.ts';
import { firstOver, standsOn } from './standing.ts';
import { addPlan, costOf, removePlan, unplacedPrice, type Plan, type State } from './state.ts';

/** Price of a slot part overdrawn for a day at the start of an ejection, between these; and how it rises at each step. */
const PRICE_perPart = [0.003, 0.023] as const;
const RISES = 1.6;
const STEPS = 14;
const MOST_AT_ONCE = 3;

/**
 * Puts a batch that was left out in over the room there is, lets what stands in the way look for another place at a rising
 * price, which may push others in turn, and makes room hard again.
 * @param hot by how much dearer the outcome may be by chance
 * @returns whether the outcome was kept; if not, the state is as it was
 * @source ejection chains, Glover 1996 (from memory)
 */
export function eject(
  state: State,
  leftOut: Task,
  scratch: InsertionScratch,
  random: Random,
  hot: number,
  mayMove: (task: Task) => boolean,
): boolean {
  const { problem } = state;
  const start = costOf(state);
  const before = new Map<number, Plan | null>();
  const takeOut = (task: Task): Plan | null => {
    const plan = removePlan(state, task.index);
    if (!before.has(task.index)) before.set(task.index, plan);
    return plan;
  };
  const [low, high] = PRICE_perPart;
  state.overdrawn_perPart = low + (high - low) * random();
  takeOut(leftOut);
  const first = bestPlan(state, leftOut, scratch);
  if (first) addPlan(state, first);
  for (let step = 0; first && step < STEPS; step++) {
    const there = standingOver(state, [...before.keys()], mayMove, random);
    if (there.length === 0) break;
    const out = shuffled(there, random).slice(0, 1 + below(random, MOST_AT_ONCE));
    const had = out.map(takeOut);
    state.overdrawn_perPart *= RISES;
    out.forEach((task, i) => insert(state, task, scratch, had[i]));
  }
  state.overdrawn_perPart = 0;
  const touched = [...before.keys()].map((index) => problem.tasks[index]!);
  const over = touched.filter((task) => {
    const plan = state.plans[task.index];
    return !plan || firstOver(state, plan) !== null;
  });
  for (const task of over) removePlan(state, task.index);
  over.sort((a, b) => unplacedPrice(problem, b) - unplacedPrice(problem, a) || a.index - b.index);
  for (const task of over) insert(state, task, scratch);
  const delta = costOf(state) - start;
  if (delta <= 1e-9 || random() < Math.exp(-delta / hot)) return true;
  for (const index of before.keys()) removePlan(state, index);
  for (const plan of before.values()) if (plan) addPlan(state, plan);
  return false;
}

/** What stands, and may be moved, on a place and day overdrawn by one of the batches touched. */
function standingOver(
  state: State,
  touched: readonly number[],
  mayMove: (task: Task) => boolean,
  random: Random,
): Task[] {
  const { tasks } = state.problem;
  for (const index of shuffled(touched, random)) {
    const plan = state.plans[index];
    const cell = plan ? firstOver(state, plan) : null;
    if (!cell) continue;
    return tasks.filter((task) => mayMove(task) && standsOn(task, state.plans[task.index], cell));
  }
  return [];
}
