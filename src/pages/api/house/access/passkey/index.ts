import { passkeySignInInput } from '../../../../../contracts/house/access.ts';
import { body, endpoint, json } from '../../../../../server/edge.ts';
import { calledAt, deviceOf } from '../../../../../server/house/device.ts';
import { signInByPasskey } from '../../../../../server/house/passkeys.ts';

export const POST = endpoint(async (context) => {
  const { answer, device } = await body(context, passkeySignInInput);
  return json(await signInByPasskey(answer, device, calledAt(context), deviceOf(context)));
});
