import { seasonInstance } from '../core/plan/placement/fromSeason.ts';
import { seasonToPlan } from '../contracts/plan/seasonToPlan.ts';
import { batchProgress } from '../core/batch/progress.ts';
import { UNSOWN } from '../core/batch/reduce.ts';
import { placeNew } from '../core/plan/placement/placeNew.ts';
import { horizonDays, newlyOver, overRoom } from '../core/plan/schedule/roomUse.ts';
import type { PlaceAnswer, PlaceRequest } from '../contracts/plan/planner.ts';

/** Number of a batch that is not made yet. */
const NOT_MADE = -1;

/** Places a batch that is not made yet, and says where it would be over room as it is typed. */
export function placeBatch({ crop, plan, ...sent }: PlaceRequest): PlaceAnswer {
  const toPlan = seasonToPlan(sent);
  const { offHeat, tables, containers, today, places } = toPlan;
  const progress = batchProgress({ crop, plan, state: UNSOWN, offHeat, tables, containers, today });
  const open = { ...plan, steps: {} };
  const one = { id: NOT_MADE, name: crop.name, crop, plan: open, state: UNSOWN, pinned: false, progress };
  const batches = [...toPlan.batches, one];
  const [placed] = placeNew(
    seasonInstance({ ...toPlan, batches }),
    new Map(batches.map((batch) => [batch.id, batch])),
    [NOT_MADE],
  );
  const before = toPlan.batches.flatMap((batch) => batch.progress.stands);
  const after = [...before, ...progress.stands];
  const runs = (stands: typeof before) => overRoom(stands, places, today, horizonDays(after, today));
  return {
    placed: placed!,
    over: progress.forecast.kind === 'chain' ? newlyOver(runs(before), runs(after)) : null,
  };
}
