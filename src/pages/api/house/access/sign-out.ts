import { signOutInput } from '../../../../contracts/house/access.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';
import { deviceOf } from '../../../../server/house/device.ts';
import { signOut } from '../../../../server/house/signIn.ts';

export const POST = endpoint(async (context) => {
  const { everywhere } = await body(context, signOutInput);
  return json({ devices: await signOut(context.locals.caller, everywhere, deviceOf(context)) });
});
