import type { Progress } from '../../core/batch/progress.ts';
import type { DayNumber } from '../../core/calendar/dayNumber.ts';
import type { BatchPlan } from '../../core/plan/batchPlan.ts';
import type { Stage, WorkKey } from '../../core/plan/stage.ts';
import { STEP_OF } from '../../core/plan/placement/steps.ts';

/** Something tried on one batch and not kept yet. */
export interface Trial {
  readonly batchId: number;
  /** Days the transplant date is moved by. */
  readonly shift_days: number;
  /** A stage put in another place. */
  readonly place: { readonly stage: Stage; readonly placeId: number } | null;
  /** Work put on another day. */
  readonly step: { readonly key: WorkKey; readonly day: DayNumber } | null;
}

export const NOTHING_TRIED = { shift_days: 0, place: null, step: null } as const;

/** The plan as it would be. Another transplant date makes the days named for the work void. */
export function planTried(plan: BatchPlan, trial: Omit<Trial, 'batchId'>): BatchPlan {
  const places = trial.place ? { ...plan.places, [trial.place.stage]: trial.place.placeId } : plan.places;
  const steps = trial.shift_days !== 0 ? {} : (plan.steps ?? {});
  return {
    ...plan,
    transplantOn: plan.transplantOn + trial.shift_days,
    places,
    steps: trial.step ? { ...steps, [trial.step.key]: trial.step.day } : steps,
  };
}

/** Whether a trial asks for anything. */
export function isTrying(trial: Trial | null): trial is Trial {
  return trial !== null && (trial.shift_days !== 0 || trial.place !== null || trial.step !== null);
}

/** The work that puts a batch into a stage, and the day it is done by a forecast. */
export function stepInto(progress: Progress, stage: Stage): { key: WorkKey; day: DayNumber } | null {
  const stand = progress.stands.find((s) => s.stage === stage);
  return stand ? { key: STEP_OF[stage], day: stand.from } : null;
}
