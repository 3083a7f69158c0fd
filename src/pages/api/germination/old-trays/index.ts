import { oldTraysInput } from '../../../../contracts/germination/oldTrays.ts';
import { body, endpoint, IMPORT_BYTES, json } from '../../../../server/edge.ts';
import { importOldTrays } from '../../../../server/germination/oldTrays.ts';

export const POST = endpoint(async (context) =>
  json(await importOldTrays(await body(context, oldTraysInput, IMPORT_BYTES))),
);
