import { endpoint, json } from '../../../../../../server/edge.ts';
import { calledAt } from '../../../../../../server/house/device.ts';
import { newPasskeyChallenge } from '../../../../../../server/house/passkeys.ts';

export const POST = endpoint(async (context) =>
  json(await newPasskeyChallenge(context.locals.caller, calledAt(context))),
);
