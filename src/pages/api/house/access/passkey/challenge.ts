import { endpoint, json } from '../../../../../server/edge.ts';
import { calledAt } from '../../../../../server/house/device.ts';
import { signInChallenge } from '../../../../../server/house/passkeys.ts';

export const POST = endpoint(async (context) => json(await signInChallenge(calledAt(context))));
