import { endpoint, idParam, json } from '../../../../../server/edge.ts';
import { endSignIn } from '../../../../../server/house/links.ts';

export const DELETE = endpoint(async (context) => {
  await endSignIn(idParam(context), context.locals.caller);
  return json({});
});
