import { importInput } from '../../contracts/batches.ts';
import { body, endpoint, IMPORT_BYTES, json } from '../../server/edge.ts';
import { importBatches } from '../../server/files/importBatches.ts';

export const POST = endpoint(async (context) =>
  json(await importBatches(await body(context, importInput, IMPORT_BYTES))),
);
