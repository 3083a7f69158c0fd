import { importInput } from '../../../contracts/batch/batches.ts';
import { body, endpoint, IMPORT_BYTES, json } from '../../../server/edge.ts';
import { importBatches } from '../../../server/batch/importBatches.ts';

export const POST = endpoint(async (context) =>
  json(await importBatches(await body(context, importInput, IMPORT_BYTES))),
);
