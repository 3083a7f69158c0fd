import { entriesInput } from '../../../contracts/house/entries.ts';
import { body, endpoint, ENTRIES_BYTES, json } from '../../../server/edge.ts';
import { doEntries } from '../../../server/house/entries.ts';

export const POST = endpoint(async (context) =>
  json(await doEntries(await body(context, entriesInput, ENTRIES_BYTES), context.locals.caller)),
);
