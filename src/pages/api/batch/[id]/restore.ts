import { restoreInput } from '../../../../contracts/batch/batches.ts';
import { restoreBatch } from '../../../../server/batch/voidBatch.ts';
import { body, endpoint, idParam, json } from '../../../../server/edge.ts';

export const POST = endpoint(async (context) =>
  json(await restoreBatch(idParam(context), await body(context, restoreInput))),
);
