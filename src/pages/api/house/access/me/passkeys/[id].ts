import { endpoint, idParam, json } from '../../../../../../server/edge.ts';
import { removePasskey } from '../../../../../../server/house/passkeys.ts';

export const DELETE = endpoint(async (context) => {
  await removePasskey(context.locals.caller, idParam(context));
  return json({});
});
