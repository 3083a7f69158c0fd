import { batchInput } from '../../../contracts/batches.ts';
import { createBatch } from '../../../server/changeBatches.ts';
import { body, endpoint, json } from '../../../server/edge.ts';
import { readSeason } from '../../../server/season.ts';
import { batchAnswer } from '../../../server/batchAnswer.ts';

export const GET = endpoint(async () => json((await readSeason()).batches.map(batchAnswer)));

export const POST = endpoint(async (context) => {
  const batch = await createBatch(await body(context, batchInput));
  return json({ id: batch.id, code: batch.code, version: batch.version }, 201);
});
