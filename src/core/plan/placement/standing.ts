import type { Task } from './problem.ts';
import type { Plan, State } from './state.ts';

/** A place on a day, by their indexes. */
export interface Cell {
  readonly place: number;
  readonly day: number;
}

/** Whether a plan stands in a place on a day. */
export function standsOn(task: Task, plan: Plan | null | undefined, { place, day }: Cell): boolean {
  if (!plan) return false;
  for (let k = task.first; k < task.stageCount; k++)
    if (plan.places[k] === place && plan.days[k]! <= day && plan.days[k + 1]! > day) return true;
  return false;
}

/** First place and day over room along a plan; null: none. */
export function firstOver({ free, problem }: State, plan: Plan): Cell | null {
  for (let k = 0; k < plan.places.length; k++) {
    const place = plan.places[k]!;
    if (place < 0) continue;
    for (let day = plan.days[k]!; day < plan.days[k + 1]!; day++)
      if (free[place * problem.days + day]! < 0) return { place, day };
  }
  return null;
}
