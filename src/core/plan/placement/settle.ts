import {
  ageingPrice,
  addPlan,
  costOf,
  freshTrack,
  removePlan,
  tollPrice,
  waitPrice,
  type Plan,
  type State,
} from './state.ts';
import type { Task } from './problem.ts';
import { endFrom, NONE } from './track.ts';

/** Another place or day for a batch must be worth so much for each of its trays, in the nursery's money. */
const WORTH_perTray = 0.5;
const PASSES = 2;

/**
 * Puts batches back to where and when they were, one after another, wherever there is room for that and it costs hardly
 * more: nobody wants a batch moved for nothing.
 * @param before the season as it was planned; its plans need not be sound
 * @param worth_perTray by how much dearer it may be, for each tray
 */
export function settle(
  state: State,
  before: State,
  mayMove: (task: Task) => boolean,
  worth_perTray: number = WORTH_perTray,
): void {
  for (let pass = 0; pass < PASSES; pass++) {
    let settled = 0;
    for (const task of state.problem.tasks) {
      const was = before.plans[task.index];
      const is = state.plans[task.index];
      if (!was || !is || task.spec.pinned || !mayMove(task) || samePlan(was, is)) continue;
      const cost = costOf(state);
      removePlan(state, task.index);
      const again = asItWas(state, before, task, was);
      if (again) {
        addPlan(state, again);
        if (costOf(state) - cost <= worth_perTray * task.spec.trays) {
          settled++;
          continue;
        }
        removePlan(state, task.index);
      }
      addPlan(state, is);
    }
    if (settled === 0) return;
  }
}

/** A day of rounding between a forecast's hours and the noons of the search. */
const ROUNDING_days = 1;

/**
 * A plan's places and days in the room and at the set-points there are now; null where they will not do. As its forecast has
 * it, to the hour, where the set-points of its weeks are what they were.
 */
function asItWas(state: State, before: State, task: Task, was: Plan): Plan | null {
  const { problem, free } = state;
  const { instance, days: D, blocks: B } = problem;
  const { spec, first, stageCount: K } = task;
  const out = was.days[K]!;
  if (out === NONE || out < task.lo[K]! || out > task.hi[K]!) return null;
  const kept = was.kept === true && sameRows(state, before, task, was);
  const rounding = kept ? ROUNDING_days : 0;
  let price = task.outPrices[out]!;
  const waits = new Int16Array(K);
  for (let k = first; k < K; k++) {
    const p = was.places[k]!;
    const [from, to] = [was.days[k]!, was.days[k + 1]!];
    const stage = instance.stages[spec.stages[k]!]!;
    const inProgress = k === first ? spec.inProgress : undefined;
    if (p === NONE || to < from || (!inProgress && !stage.places.includes(p))) return null;
    if (!inProgress && k === first && from < task.lo[k]!) return null;
    if (inProgress && (p !== inProgress.place || from !== inProgress.day)) return null;
    const track = freshTrack(state, spec.stages[k]!, p);
    const end = inProgress
      ? endFrom(track, inProgress.need, from, state.rows, p * B, problem.blockOf, D)
      : track.end[from]!;
    if (end === NONE || end - rounding > to || track.bad[from]! < to) return null;
    const slots = task.slots[k]!;
    // Where it stands already it stays until it can go, room or not; longer only where there is room.
    for (let d = inProgress ? Math.max(from, end) : from; d < to; d++) if (free[p * D + d]! < slots) return null;
    if (!inProgress) {
      waits[k] = Math.max(0, to - end);
      if (waits[k]! - rounding > stage.mostWait_days) return null;
      for (let w = 1; w <= waits[k]!; w++) price += waitPrice(problem, task, w, stage.mostWait_days);
      price += ageingPrice(problem, task, stage, Math.min(end, to) - from);
    }
    if (k > first && was.places[k - 1] !== p) price += instance.weights.move_perTray * spec.trays;
  }
  const toll = tollPrice(state, task, was.places, was.days);
  const { places, days } = was;
  return { task: task.index, places, days, waits, price: price + toll, toll, forced: false, kept };
}

/** Whether the set-points of the weeks a plan stands in are those of another state. */
function sameRows(state: State, before: State, task: Task, plan: Plan): boolean {
  const { blocks: B, blockOf } = state.problem;
  for (let k = task.first; k < task.stageCount; k++) {
    if (plan.days[k + 1]! <= plan.days[k]!) continue;
    const p = plan.places[k]!;
    // The noon it leaves belongs to it as well.
    for (let b = blockOf[plan.days[k]!]!; b <= blockOf[plan.days[k + 1]!]!; b++)
      if (state.rows[p * B + b] !== before.rows[p * B + b]) return false;
  }
  return true;
}

export const samePlan = (a: Plan, b: Plan): boolean =>
  a.places.every((p, k) => p === b.places[k]) && a.days.every((d, k) => d === b.days[k]);
