import { inTransaction } from '../../db/inTransaction.ts';
import { cropOf } from '../../core/books/cropOf.ts';
import type { BatchRecord } from '../../core/batch/record.ts';
import { createHash } from 'node:crypto';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { reduceLog } from '../../core/batch/reduce.ts';
import { backwardChain } from '../../core/plan/schedule/backward.ts';
import { milestoneOf } from '../../core/plan/schedule/chain.ts';
import type { BatchPlan } from '../../core/plan/batchPlan.ts';
import type { SowAgainInput } from '../../contracts/batch/batches.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import { eventByKey, insertBatch, insertEvent, lockBatch } from '../../db/batch/batches.ts';
import { readEvents } from '../../db/house/world.ts';
import { logLine } from './changeBatches.ts';
import { database } from '../database.ts';
import { batchIn, readSeason } from '../plan/season.ts';
import { type Season } from '../../core/plan/season.ts';
import { WORDS } from '../../words/en/batch/sowAgain.ts';

/** Most days a batch sown again may go out later than was asked. */
const MOST_LATER_days = 120;

export interface SownAgain {
  readonly batchId: number;
  readonly repeated: boolean;
}

/**
 * The same plan as a new batch, to be sown today: its date as before when that can still be, else the soonest that can.
 * The cause goes into the old batch's log; it is ended or kept. The same key twice does it once.
 */
export async function sowAgain(id: number, input: SowAgainInput): Promise<SownAgain> {
  const season = await readSeason();
  const view = batchIn(season, id);
  const { now } = season;
  const requestHash = createHash('sha256')
    .update(JSON.stringify({ id, ...input }))
    .digest('hex');
  const again = planFromToday(season, view.batch);
  // With the old tray kept only what it will not give is missing.
  const plan = input.endOld
    ? again
    : { ...again, plantsWanted: Math.max(1, again.plantsWanted - view.plants.expected_count) };
  return inTransaction(database(), async (transaction) => {
    const batch = await lockBatch(id, transaction);
    if (!batch) throw new ProblemError(404, WORDS.noSuchBatch, WORDS.thereIsNoBatchNumber(id));
    const before = await eventByKey(`${input.idempotencyKey}/new`, transaction);
    if (before) {
      if (before.requestHash !== requestHash) throw fieldProblem('idempotencyKey', WORDS.thisKeyWasUsedFor);
      return { batchId: before.batchId, repeated: true };
    }
    const { state } = reduceLog(await readEvents(database(), id, transaction));
    if (state.phase !== 'sown' && state.phase !== 'emerged') throw fieldProblem('id', WORDS.onlyWhatIsSownAnd);
    const made = await insertBatch(
      database(),
      {
        ...batch,
        plan,
        note: WORDS.sownAgainFor(batch.code, input.cause),
        splitFromId: null,
        familyId: batch.familyId,
        resownFromId: batch.id,
        pinned: false,
      },
      transaction,
    );
    const line = (batchId: number, kind: 'note' | 'ended') => ({
      ...logLine(batchId, kind, Math.max(now.today, state.lastDay ?? now.today), now.instant_ms),
      requestHash,
      cause: input.cause,
    });
    await insertEvent(
      {
        ...line(made.id, 'note'),
        note: WORDS.sownAgainFor2(batch.code),
        idempotencyKey: `${input.idempotencyKey}/new`,
      },
      transaction,
    );
    await insertEvent(
      {
        ...line(id, input.endOld ? 'ended' : 'note'),
        note: WORDS.sownAgainAs(made.code),
        idempotencyKey: `${input.idempotencyKey}/old`,
      },
      transaction,
    );
    return { batchId: made.id, repeated: false };
  });
}

/** The plan with days named for its work forgotten and, when it must be, the soonest date that sowing today can make. */
function planFromToday(season: Season, batch: BatchRecord): BatchPlan {
  const { world, tables, now } = season;
  const old = batch.plan;
  const crop = cropOf(season, batch);
  const plan: BatchPlan = { ...old, steps: {}, joins: null };
  for (let later = 0; later <= MOST_LATER_days; later++) {
    const tried = { ...plan, transplantOn: old.transplantOn + later };
    const chain = backwardChain({ crop, plan: tried, offHeat: world.nursery.offHeat, tables });
    if (chain.kind === 'chain' && milestoneOf(chain, 'sow')!.day >= now.today) return tried;
  }
  throw fieldProblem('id', WORDS.sownTodayItCannotGo(MOST_LATER_days, isoFromDay(old.transplantOn)));
}
