import { readyInTime_frac } from '../../batch/inTime.ts';
import type { Progress } from '../../batch/progress.ts';
import type { DayNumber } from '../../calendar/dayNumber.ts';
import type { BatchPlan } from '../batchPlan.ts';

/** When a batch goes out, and how sure it is to be ready in its days. */
export interface Outcome {
  readonly out: DayNumber | null;
  readonly inTime_frac: number | null;
}

export interface BatchOutcome {
  readonly id: number;
  readonly before: Outcome;
  readonly after: Outcome;
  /** Later by a day, less sure by five points, or no longer to be had at all. */
  readonly madeLater: boolean;
}

interface Seen {
  readonly id: number;
  readonly plan: BatchPlan;
  readonly progress: Progress;
}

/** By so much less sure a batch counts as made later. */
const LESS_SURE_frac = 0.05;

export function outcomeOf({ plan, progress }: Omit<Seen, 'id'>, today: DayNumber): Outcome {
  return { out: progress.out?.on ?? null, inTime_frac: readyInTime_frac(progress, plan, today) };
}

/** Each batch before and after a change of plan, by one rule of what is later. */
export function outcomesOf(before: readonly Seen[], after: readonly Seen[], today: DayNumber): BatchOutcome[] {
  const was = new Map(before.map((one) => [one.id, outcomeOf(one, today)]));
  return after.flatMap((one): BatchOutcome[] => {
    const then = was.get(one.id);
    if (!then) return [];
    const now = outcomeOf(one, today);
    return [{ id: one.id, before: then, after: now, madeLater: isLater(then, now) }];
  });
}

function isLater(before: Outcome, after: Outcome): boolean {
  if (before.out !== null && (after.out === null || after.out > before.out)) return true;
  if (before.inTime_frac === null || after.inTime_frac === null) return before.inTime_frac !== null;
  return before.inTime_frac - after.inTime_frac >= LESS_SURE_frac - 1e-9;
}
