import { bestPlan, makeScratch, type InsertionScratch } from './insert.ts';
import type { Problem, Task } from './problem.ts';
import { addPlan, emptyState, freshTrack, type Plan, type State } from './state.ts';
import { endFrom, NONE } from './track.ts';

/** Order of first placing: what matters more, then what must be sown sooner, then what is bigger. */
export function firstOrder(problem: Problem): Task[] {
  return [...problem.tasks].sort(
    (a, b) =>
      Number(b.spec.pinned !== undefined) - Number(a.spec.pinned !== undefined) ||
      Number(b.spec.inProgress !== undefined) - Number(a.spec.inProgress !== undefined) ||
      b.spec.weight - a.spec.weight ||
      a.spec.target - b.spec.target ||
      b.spec.trays - a.spec.trays ||
      a.index - b.index,
  );
}

/** A first whole plan: each batch in turn the cheapest way that is left. Nothing over room but what is pinned or there already. */
export function construct(problem: Problem, scratch: InsertionScratch = makeScratch(problem)): State {
  const state = emptyState(problem);
  for (const task of firstOrder(problem)) insert(state, task, scratch);
  return state;
}

/** Puts one batch in, if there is a way. Pinned batches, and those standing somewhere already, always get a plan. */
export function insert(state: State, task: Task, scratch: InsertionScratch, before?: Plan | null): boolean {
  const plan = task.spec.pinned ? pinnedPlan(state.problem, task) : bestPlan(state, task, scratch, undefined, before);
  if (plan) {
    addPlan(state, plan);
    return true;
  }
  if (task.spec.inProgress) addPlan(state, stuckPlan(state, task));
  return false;
}

/** The stays the grower pinned, as a plan. */
export function pinnedPlan(problem: Problem, task: Task): Plan {
  const { spec, stageCount: K } = task;
  const places = new Int16Array(K).fill(NONE);
  const days = new Int16Array(K + 1).fill(NONE);
  for (const stay of spec.pinned!) {
    places[stay.stage] = stay.place;
    days[stay.stage] = stay.from;
    days[stay.stage + 1] = stay.to;
  }
  const out = days[K]!;
  const stays = spec.pinned!;
  const moves = stays.filter((stay, i) => i > 0 && stays[i - 1]!.place !== stay.place).length;
  const price = (out === NONE ? 0 : task.outPrices[out]!) + moves * problem.instance.weights.move_perTray * spec.trays;
  return { task: task.index, places, days, waits: new Int16Array(K), price, toll: 0, forced: true };
}

/** A batch that stands somewhere and has nowhere to go: it stays where it is to the end of its stage. */
function stuckPlan(state: State, task: Task): Plan {
  const { problem } = state;
  const { inProgress: inProgress, stages } = task.spec;
  const { at, place, day, need, then_days = 0 } = inProgress!;
  const places = new Int16Array(task.stageCount).fill(NONE);
  const days = new Int16Array(task.stageCount + 1).fill(NONE);
  const track = freshTrack(state, stages[at]!, place);
  const end = endFrom(track, need, day, state.rows, place * problem.blocks, problem.blockOf, problem.days);
  places[at] = place;
  days[at] = day;
  days[at + 1] = Math.min(problem.days - 1, Math.max(end + then_days, problem.instance.today + 1, day));
  return { task: task.index, places, days, waits: new Int16Array(task.stageCount), price: 0, toll: 0, forced: true };
}
