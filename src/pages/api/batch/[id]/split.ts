import { splitInput } from '../../../../contracts/batch/batches.ts';
import { splitBatch } from '../../../../server/batch/changeBatches.ts';
import { body, endpoint, idParam, json } from '../../../../server/edge.ts';

export const POST = endpoint(async (context) => {
  const split = await splitBatch(idParam(context), await body(context, splitInput));
  return json(split, split.repeated ? 200 : 201);
});
