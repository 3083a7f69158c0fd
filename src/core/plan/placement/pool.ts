import type { Problem } from './problem.ts';
import type { Plan, State } from './state.ts';
import { NONE } from './track.ts';

/** A plan with the set-points it was made for. */
export interface PooledPlan {
  readonly plan: Plan;
  /** What it needs of set-points: place, block and level, in threes. Only places that can be set. */
  readonly needs: readonly number[];
}

/** Plans found by searches, each once, for choosing among them. */
export interface Pool {
  readonly problem: Problem;
  readonly byTask: PooledPlan[][];
  readonly seen: Set<string>;
}

export function makePool(problem: Problem): Pool {
  return { problem, byTask: problem.tasks.map(() => []), seen: new Set() };
}

/** Puts a plan into the pool as the state's set-points have it; most plans of one batch at most `most`. */
export function addToPool(pool: Pool, state: State, plan: Plan, most = 600): void {
  const list = pool.byTask[plan.task]!;
  if (list.length >= most) return;
  const needs = needsOf(state, plan);
  const key = `${plan.task}|${plan.places.join()}|${plan.days.join()}|${needs.join()}`;
  if (pool.seen.has(key)) return;
  pool.seen.add(key);
  list.push({ plan, needs });
}

export function needsOf(state: State, plan: Plan): number[] {
  const { problem, rows } = state;
  const { blocks: B, blockOf, instance } = problem;
  const needs: number[] = [];
  for (let k = 0; k < plan.places.length; k++) {
    const p = plan.places[k]!;
    const from = plan.days[k]!;
    const to = plan.days[k + 1]!;
    if (p === NONE || to === NONE || to <= from || instance.places[p]!.levels.length === 1) continue;
    for (let b = blockOf[from]!; b <= blockOf[to - 1]!; b++) {
      // Two stages in one place may share a week.
      const n = needs.length;
      if (n >= 3 && needs[n - 3] === p && needs[n - 2] === b) continue;
      needs.push(p, b, rows[p * B + b]!);
    }
  }
  return needs;
}
