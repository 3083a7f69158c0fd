import { USUAL_WINDOW, type BatchPlan } from '../plan/batchPlan.ts';
import type { Progress } from './progress.ts';

/** How a batch stands against its date, by one rule for every screen, feed and file. */
export type Punctuality = 'on time' | 'in its days' | 'early' | 'late' | 'not likely' | 'cannot be';

/** Days before and after its date on which a batch goes out as well. */
export function windowOf(plan: Pick<BatchPlan, 'before_days' | 'after_days'>) {
  return {
    before_days: plan.before_days ?? USUAL_WINDOW.before_days,
    after_days: plan.after_days ?? USUAL_WINDOW.after_days,
  };
}

/** On its date; within its days that are as good; outside them; or not to be had at all. */
export function punctuality(
  { forecast, out }: Pick<Progress, 'forecast' | 'out'>,
  plan: Pick<BatchPlan, 'transplantOn' | 'before_days' | 'after_days'>,
): Punctuality {
  if (forecast.kind !== 'chain' || out === null) return 'cannot be';
  if (out.on === null) return 'not likely';
  const late_days = out.on - plan.transplantOn;
  const { before_days, after_days } = windowOf(plan);
  if (late_days > after_days) return 'late';
  if (-late_days > before_days) return 'early';
  return late_days === 0 ? 'on time' : 'in its days';
}

/** Whether the grower has to do something about its date. */
export function isTrouble(kind: Punctuality): boolean {
  return kind === 'late' || kind === 'not likely' || kind === 'cannot be';
}
