import type { Highs } from 'highs';
import { chosenFrom, poolModel, type PoolModel } from '../core/plan/placement/poolModel.ts';
import { addToPool, needsOf, type Pool } from '../core/plan/placement/pool.ts';
import { putInto } from '../core/plan/placement/improve.ts';
import { costOf, type State } from '../core/plan/placement/state.ts';

export interface PoolAnswer {
  /** 'proven': no choice among the pool's plans is cheaper. 'best so far': time was up. 'none': nothing was found. */
  readonly kind: 'proven' | 'best so far' | 'none';
  readonly cost: number;
  /** Least cost any choice among the pool could have; null when the solver has no finite bound. */
  readonly bound: number | null;
  readonly plans_count: number;
}

/**
 * Chooses among a pool's plans with HiGHS, and puts the choice into the state when it is cheaper than what is there.
 * Blocks its thread and keeps its memory: run it in a worker thrown away afterwards.
 */
export function solvePool(
  highs: Highs,
  pool: Pool,
  state: State,
  free: ReadonlySet<number>,
  seconds: number,
): PoolAnswer {
  // What is there now is among the choices, so that the answer can only be as good or better.
  for (const plan of state.plans) if (plan && free.has(plan.task)) addToPool(pool, state, plan, Infinity);
  const model = poolModel(pool, state, free);
  const n = model.costs.length;
  const { variableType } = highs.constants;
  const solver = highs.createModel({
    numCols: n,
    numRows: model.rowUpper.length,
    colCost: model.costs,
    colLower: model.lower,
    colUpper: new Float64Array(n).fill(1),
    rowLower: model.rowLower,
    rowUpper: model.rowUpper,
    matrix: {
      format: 'csc',
      numRows: model.rowUpper.length,
      numCols: n,
      starts: model.starts,
      indices: model.rows,
      values: model.values,
    },
    integrality: Int32Array.from({ length: n }, (_, i) =>
      i < model.whole ? variableType.integer : variableType.continuous,
    ),
  } as Parameters<Highs['createModel']>[0]);
  try {
    solver.setSolution({ colValue: startFrom(model, state, free) });
    solver.options.set({ output_flag: false, time_limit: seconds, mip_rel_gap: 1e-6, random_seed: 1 });
    solver.run();
    const status = solver.getModelStatus();
    const bound = Number(solver.info.get('mip_dual_bound'));
    const finite = Number.isFinite(bound) && Math.abs(bound) < 1e20 ? bound : null;
    const x = solver.getSolution().colValue;
    const whole = x.length === n && solver.info.get('primal_solution_status') === 2;
    if (!whole) return { kind: 'none', cost: costOf(state), bound: finite, plans_count: model.plans.length };
    const before = { plans: [...state.plans], rows: state.rows.slice(), cost: costOf(state) };
    const chosen = chosenFrom(model, state, x);
    putInto(state, chosen.plans, chosen.rows);
    const cost = costOf(state);
    if (cost > before.cost) putInto(state, before.plans, before.rows);
    return {
      kind: status === highs.constants.modelStatus.optimal ? 'proven' : 'best so far',
      cost,
      bound: finite,
      plans_count: model.plans.length,
    };
  } finally {
    solver.dispose();
  }
}

/** The state's own choice as values of the columns, for the solver to begin from: it can then only improve on it. */
function startFrom(model: PoolModel, state: State, free: ReadonlySet<number>): Float64Array {
  const x = new Float64Array(model.costs.length);
  const chosen = new Set<number>();
  const setTo = new Set<string>();
  const same = (a: ArrayLike<number>, b: ArrayLike<number>) =>
    a.length === b.length && Array.from(a).every((value, i) => value === b[i]);
  model.plans.forEach(({ plan, needs }, i) => {
    const present = state.plans[plan.task];
    if (!present || chosen.has(plan.task)) return;
    if (!same(plan.places, present.places) || !same(plan.days, present.days)) return;
    if (!same(needs, needsOf(state, present))) return;
    chosen.add(plan.task);
    x[i] = 1;
    for (let n = 0; n < needs.length; n += 3) setTo.add(`${needs[n]}/${needs[n + 1]}/${needs[n + 2]}`);
  });
  let leftOut = model.plans.length;
  for (const task of state.problem.tasks) {
    if (!free.has(task.index) || task.spec.pinned) continue;
    if (!chosen.has(task.index)) x[leftOut] = 1;
    leftOut++;
  }
  model.setPoints.forEach((key, i) => {
    if (setTo.has(key.join('/'))) x[model.firstSetPoint + i] = 1;
  });
  // Changes of set-point are bounded from below only.
  return x.fill(1, model.whole);
}
