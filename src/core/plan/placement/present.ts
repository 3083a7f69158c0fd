import type { SeasonBatchToPlan, SeasonInstance } from './fromSeason.ts';
import { forecastStays } from './seasonBatches.ts';
import { ageingPrice, tollPrice, freshTrack, addPlan, emptyState, waitPrice, type Plan, type State } from './state.ts';
import type { Problem, Task } from './problem.ts';
import { NONE } from './track.ts';

/**
 * The season as it is planned now, as a state: every batch where and when its forecast has it, over room or not. A batch
 * that cannot be reached as planned has no plan.
 */
export function presentState(
  problem: Problem,
  season: SeasonInstance,
  batches: ReadonlyMap<number, SeasonBatchToPlan>,
): State {
  const state = emptyState(problem);
  for (const task of problem.tasks) {
    const plan = presentPlan(state, task, season, batches.get(task.spec.id)!);
    if (plan) addPlan(state, plan);
  }
  return state;
}

function presentPlan(state: State, task: Task, season: SeasonInstance, batch: SeasonBatchToPlan): Plan | null {
  const { problem } = state;
  const { stages } = season.batches[task.index]!;
  const placeIndex = (id: number | null) => season.placeIds.indexOf(id ?? -1);
  const stays = task.spec.pinned ?? forecastStays(batch, stages, placeIndex, season.from, problem.days);
  const used = stays.filter((stay) => stay.stage >= task.first);
  const last = used.at(-1);
  if (!last || used[0]!.stage !== task.first || last.stage !== task.stageCount - 1) return null;
  const places = new Int16Array(task.stageCount).fill(NONE);
  const days = new Int16Array(task.stageCount + 1).fill(NONE);
  const waits = new Int16Array(task.stageCount);
  let price = task.outPrices[last.to]!;
  used.forEach((stay, i) => {
    places[stay.stage] = stay.place;
    days[stay.stage] = stay.from;
    days[stay.stage + 1] = stay.to;
    if (i > 0 && used[i - 1]!.place !== stay.place) price += problem.instance.weights.move_perTray * task.spec.trays;
    const stage = problem.instance.stages[task.spec.stages[stay.stage]!]!;
    const end = freshTrack(state, task.spec.stages[stay.stage]!, stay.place).end[stay.from]!;
    if (end === NONE || (task.spec.inProgress && stay.stage === task.first)) return;
    waits[stay.stage] = Math.max(0, stay.to - end);
    for (let w = 1; w <= waits[stay.stage]!; w++) price += waitPrice(problem, task, w, stage.mostWait_days);
    price += ageingPrice(problem, task, stage, stay.to - waits[stay.stage]! - stay.from);
  });
  const toll = task.spec.pinned ? 0 : tollPrice(state, task, places, days);
  return { task: task.index, places, days, waits, price: price + toll, toll, forced: true, kept: true };
}
