import type { Sequelize, Transaction } from 'sequelize';
import type { Phase } from '../../core/batch/event.ts';
import { keepEstimates } from '../../db/house/seasons.ts';
import { type KeptEstimate } from '../../core/house/kept.ts';
import type { World } from '../../core/house/world.ts';
import type { Season } from '../../core/plan/season.ts';

type ToKeep = Pick<KeptEstimate, 'batchId' | 'taught' | 'logId' | 'estimate'>;

/** Phases in which a batch may still come up, or grow on: what it teaches of that is not settled. */
const COMING: readonly Phase[] = ['planned', 'sown', 'emerged'];
const GROWING: readonly Phase[] = [...COMING, 'growing', 'potted'];

/**
 * What batches teach that is settled and not kept yet for their log as it stands.
 * @param all also of batches that are still coming up or growing, as when their season is closed
 */
export function estimatesToKeep(season: Season, all = false, batchIds: ReadonlySet<number> | null = null): ToKeep[] {
  const { world, batches } = season;
  const keep: ToKeep[] = [];
  const emergence = estimatesOf(world, 'emergence');
  const growth = estimatesOf(world, 'growth');
  const taughtOf = new Map(season.taught.map((one) => [one.batchId, one]));
  const grownOf = new Map(season.grown.map((one) => [one.batchId, one]));
  for (const { batch, state, events } of batches) {
    if (batchIds && !batchIds.has(batch.id)) continue;
    const logId = events.at(-1)?.id;
    if (logId === undefined) continue;
    const taught = taughtOf.get(batch.id);
    if (taught && (all || !COMING.includes(state.phase)) && emergence.get(batch.id)?.logId !== logId) {
      const { batchId: _batch, cropId: _crop, varietyId: _variety, lotId: _lot, ...estimate } = taught;
      keep.push({ batchId: batch.id, taught: 'emergence', logId, estimate });
    }
    const grown = grownOf.get(batch.id);
    if (grown && (all || !GROWING.includes(state.phase)) && growth.get(batch.id)?.logId !== logId)
      keep.push({
        batchId: batch.id,
        taught: 'growth',
        logId,
        estimate: { value: grown.value, sd: grown.sd, book_degreeDays: grown.book_degreeDays },
      });
  }
  return keep;
}

/** Keeps what is settled, so that it is never worked out again from other years' tables. */
export async function keepWhatIsSettled(
  db: Sequelize,
  season: Season,
  transaction: Transaction | null = null,
): Promise<number> {
  const keep = estimatesToKeep(season);
  await keepEstimates(db, keep, transaction);
  return keep.length;
}

/** Kept estimates of one kind, by batch. */
function estimatesOf({ kept }: Pick<World, 'kept'>, taught: KeptEstimate['taught']): Map<number, KeptEstimate> {
  return new Map(kept.estimates.filter((one) => one.taught === taught).map((one) => [one.batchId, one]));
}
