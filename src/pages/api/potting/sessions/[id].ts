import { sessionPatch } from '../../../../contracts/potting/potting.ts';
import { body, endpoint, idParam, json } from '../../../../server/edge.ts';
import { saveSession, viewSession } from '../../../../server/potting/change.ts';

/** ?with=ID: as it would be with one more batch in it. */
export const GET = endpoint(async (context) => {
  const more = Number(context.url.searchParams.get('with') ?? 0);
  return json(await viewSession(idParam(context), Number.isInteger(more) && more > 0 ? more : null));
});
export const PUT = endpoint(async (context) =>
  json(await saveSession(idParam(context), await body(context, sessionPatch))),
);
