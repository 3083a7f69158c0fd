import { passwordInput } from '../../../../contracts/house/access.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';
import { deviceOf } from '../../../../server/house/device.ts';
import { changePassword } from '../../../../server/house/signIn.ts';

export const PUT = endpoint(async (context) => {
  await changePassword(context.locals.caller, await body(context, passwordInput), deviceOf(context));
  return json({});
});
