import type { SeasonSent } from '../../src/contracts/plan/planner.ts';
import { seasonToPlan } from '../../src/contracts/plan/seasonToPlan.ts';
import { UNSOWN } from '../../src/core/batch/reduce.ts';
import { batchProgress } from '../../src/core/batch/progress.ts';
import type { BatchPlan } from '../../src/core/plan/batchPlan.ts';
import type { Crop } from '../../src/core/books/crop.ts';
import type { SeasonToPlan } from '../../src/core/plan/placement/fromSeason.ts';

/** A season with batches that are not made yet in it. */
export function toPlan(
  sent: SeasonSent,
  made: readonly { readonly id: number; readonly crop: Crop; readonly plan: BatchPlan }[],
): SeasonToPlan {
  const season = seasonToPlan(sent);
  const { offHeat, tables, containers, today } = season;
  const more = made.map(({ id, crop, plan }) => {
    const progress = batchProgress({ crop, plan, state: UNSOWN, offHeat, tables, containers, today });
    return { id, name: crop.name, crop, plan, state: UNSOWN, pinned: false, progress };
  });
  return { ...season, batches: [...season.batches, ...more] };
}
