import { signInInput } from '../../../../contracts/house/access.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';
import { deviceOf } from '../../../../server/house/device.ts';
import { signIn } from '../../../../server/house/signIn.ts';

export const POST = endpoint(async (context) =>
  json(await signIn(await body(context, signInInput), deviceOf(context))),
);
