import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { reduceLog } from '../../core/batch/reduce.ts';
import type { RestoreInput, VoidInput } from '../../contracts/batch/batches.ts';
import { ProblemError } from '../../contracts/problem.ts';
import { insertEvent, lockBatch, setVoided, splitOffFrom } from '../../db/batch/batches.ts';
import { inTransaction } from '../../db/inTransaction.ts';
import { readEvents } from '../../db/house/world.ts';
import { database } from '../database.ts';
import { readSeason } from '../plan/season.ts';
import { hashOf } from '../requestHash.ts';
import { logLine, missing, repeatedKey, stale } from './changeBatches.ts';
import { WORDS } from '../../words/en/batch/voidBatchServer.ts';

/**
 * Voids a batch made by mistake: it keeps its log and its page, and is counted nowhere. The same key twice does it once.
 * @throws ProblemError 409 when it was changed meanwhile, when part of it was split off, or when its pottings took from the stock
 */
export async function voidBatch(id: number, input: VoidInput): Promise<{ readonly repeated: boolean }> {
  const { now } = await readSeason();
  const requestHash = hashOf({ id, void: true, ...input });
  return inTransaction(database(), async (transaction) => {
    const batch = await lockBatch(id, transaction, true);
    if (!batch) throw missing(id);
    if ((await repeatedKey(input.idempotencyKey, requestHash, transaction)) !== null) return { repeated: true };
    if (batch.version !== input.version) throw stale(batch, input);
    const parts = await splitOffFrom(id, transaction);
    if (parts.length > 0)
      throw new ProblemError(
        409,
        WORDS.partOfItGoesOn,
        WORDS.splitOffFromItVoid(parts.join(', '), parts.length === 1 ? WORDS.was : 'were'),
      );
    const { state } = reduceLog(await readEvents(database(), id, transaction));
    if (state.moves.length > 0) throw new ProblemError(409, WORDS.itWasPotted, WORDS.itsPottingsTookPotsAnd);
    await setVoided(batch, now.instant_ms, transaction);
    const line = logLine(id, 'voided', now.today, now.instant_ms);
    await insertEvent({ ...line, note: input.reason, idempotencyKey: input.idempotencyKey, requestHash }, transaction);
    return { repeated: false };
  });
}

/** Brings a voided batch back as it was, under a letter that is free. The same key twice does it once. */
export async function restoreBatch(id: number, input: RestoreInput): Promise<{ readonly repeated: boolean }> {
  const { now } = await readSeason();
  const requestHash = hashOf({ id, restore: true, ...input });
  return inTransaction(database(), async (transaction) => {
    const batch = await lockBatch(id, transaction, true);
    if (!batch) throw missing(id);
    if ((await repeatedKey(input.idempotencyKey, requestHash, transaction)) !== null) return { repeated: true };
    if (batch.version !== input.version) throw stale(batch, input);
    await setVoided(batch, null, transaction);
    const line = logLine(id, 'restored', now.today, now.instant_ms);
    const note = WORDS.broughtBackOn(isoFromDay(now.today));
    await insertEvent({ ...line, note, idempotencyKey: input.idempotencyKey, requestHash }, transaction);
    return { repeated: false };
  });
}
