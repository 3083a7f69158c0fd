import { readingsImport } from '../../../contracts/heat/heat.ts';
import { body, endpoint, IMPORT_BYTES, json } from '../../../server/edge.ts';
import { importReadings } from '../../../server/heat/exchange.ts';

export const POST = endpoint(async (context) =>
  json(await importReadings(await body(context, readingsImport, 2 * IMPORT_BYTES))),
);
