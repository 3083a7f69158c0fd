import type { Task } from './problem.ts';
import { costOf, type Plan, type State } from './state.ts';
import { NONE } from './track.ts';

/** One stay of a batch: days [from, to) in a place. `stage` is the position among the batch's stages. */
export interface PlacedStay {
  readonly stage: number;
  readonly place: number;
  readonly from: number;
  readonly to: number;
}

export interface PlacedBatch {
  readonly id: number;
  /** Empty when it could not be placed. */
  readonly stays: readonly PlacedStay[];
  /** Day it goes out; null when it could not be placed to the end. */
  readonly out: number | null;
  /** As its own forecast has it; see Plan.kept. */
  readonly kept?: boolean;
}

/** A placement in plain records. */
export interface Solution {
  readonly batches: readonly PlacedBatch[];
  /** Level of each block, by place. */
  readonly rows: readonly (readonly number[])[];
  readonly cost: CostParts;
}

export interface CostParts {
  readonly total: number;
  readonly heat: number;
  readonly heat_kWh: number;
  readonly setPointChanges: number;
  /** Late, early, waiting and moves. */
  readonly batches: number;
  readonly unplaced: number;
  /** Work beyond the hands of a week. */
  readonly overtime: number;
}

export function solutionOf(state: State): Solution {
  const { problem } = state;
  const { blocks: B, instance } = problem;
  let heat_kWh = 0;
  const rows = instance.places.map((_, p) => {
    const row = Array.from(state.rows.subarray(p * B, (p + 1) * B));
    row.forEach((level, b) => {
      if (state.count[p * B + b]! > 0) heat_kWh += problem.heat_kWh[p]![level * B + b]!;
    });
    return row;
  });
  return {
    rows,
    batches: problem.tasks.map((task): PlacedBatch => {
      const plan = state.plans[task.index];
      if (!plan) return { id: task.spec.id, stays: [], out: null };
      const out = plan.days[task.stageCount]!;
      return {
        id: task.spec.id,
        stays: staysOf(task, plan),
        out: out === NONE ? null : out,
        ...(plan.kept ? { kept: true } : {}),
      };
    }),
    cost: {
      total: costOf(state),
      heat: state.heat,
      heat_kWh,
      setPointChanges: state.changes,
      batches: state.prices,
      unplaced: state.unplaced,
      overtime: state.overtime,
    },
  };
}

/** The stays of a plan, in order. */
export function staysOf(task: Task, plan: Plan): PlacedStay[] {
  const stays: PlacedStay[] = [];
  for (let k = task.first; k < task.stageCount && plan.days[k + 1] !== NONE; k++) {
    stays.push({ stage: k, place: plan.places[k]!, from: plan.days[k]!, to: plan.days[k + 1]! });
  }
  return stays;
}
