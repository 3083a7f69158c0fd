import { requireDay } from '../../core/calendar/dayNumber.ts';
import { settledBy } from '../../core/vision/settle.ts';
import type { Settled } from '../../core/vision/countCells.ts';
import type { PhotoCountInput } from '../../contracts/germination/photoCount.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import { insertPhotoCount, readCorrections } from '../../db/germination/photoCounts.ts';
import { inTransaction } from '../../db/inTransaction.ts';
import { requireNear } from '../batch/batchInput.ts';
import { database } from '../database.ts';
import { readSeason } from '../plan/season.ts';
import { hashOf } from '../requestHash.ts';
import { WORDS } from '../../words/en/germination/photoCounts.ts';

/** Lines by which photos of a crop are counted in this house. */
export const settledFor = async (cropId: number): Promise<Settled> =>
  settledBy(await readCorrections(database()), cropId);

/** Keeps what was corrected in a count from a photo. */
export async function keepPhotoCount(batchId: number, input: PhotoCountInput): Promise<{ repeated: boolean }> {
  const { world, now } = await readSeason();
  const batch = world.batches.find(({ id }) => id === batchId);
  if (!batch) throw new ProblemError(404, WORDS.noSuchBatch, WORDS.noBatchOfThisNumber);
  if (requireDay(input.day) > now.today) throw fieldProblem('day', WORDS.aDayToCome);
  requireNear('day', input.day, now.today);
  const requestHash = hashOf({ batchId, ...input });
  return inTransaction(database(), async (transaction) => {
    const kept = await insertPhotoCount(database(), batch, input, requestHash, transaction);
    if (kept.requestHash !== requestHash) throw fieldProblem('idempotencyKey', WORDS.keyUsed);
    return { repeated: kept.repeated };
  });
}
