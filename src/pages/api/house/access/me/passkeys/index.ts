import { passkeyInput } from '../../../../../../contracts/house/access.ts';
import { body, endpoint, json } from '../../../../../../server/edge.ts';
import { calledAt } from '../../../../../../server/house/device.ts';
import { keepPasskey } from '../../../../../../server/house/passkeys.ts';

export const POST = endpoint(async (context) => {
  const { name, answer } = await body(context, passkeyInput);
  return json(await keepPasskey(context.locals.caller, name, answer, calledAt(context)), 201);
});
