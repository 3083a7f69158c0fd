import { pinInput } from '../../../../../contracts/house/access.ts';
import { body, endpoint, json } from '../../../../../server/edge.ts';
import { setPin } from '../../../../../server/house/signIn.ts';

export const PUT = endpoint(async (context) => {
  await setPin(context.locals.caller, await body(context, pinInput));
  return json({});
});
