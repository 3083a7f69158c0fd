import { batchToMake } from '../../../contracts/plan/planning.ts';
import { createBatch } from '../../../server/batch/changeBatches.ts';
import { body, endpoint, json } from '../../../server/edge.ts';
import { readSeason } from '../../../server/plan/season.ts';
import { batchAnswer } from '../../../server/batch/batchAnswer.ts';

export const GET = endpoint(async () => json((await readSeason()).batches.map(batchAnswer)));

export const POST = endpoint(async (context) => {
  const { batch, repeated } = await createBatch(await body(context, batchToMake));
  return json({ id: batch.id, code: batch.code, version: batch.version, repeated }, repeated ? 200 : 201);
});
