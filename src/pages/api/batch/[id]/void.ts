import { voidInput } from '../../../../contracts/batch/batches.ts';
import { voidBatch } from '../../../../server/batch/voidBatch.ts';
import { body, endpoint, idParam, json } from '../../../../server/edge.ts';

export const POST = endpoint(async (context) =>
  json(await voidBatch(idParam(context), await body(context, voidInput))),
);
