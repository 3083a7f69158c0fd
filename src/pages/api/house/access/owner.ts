import { ownerInput } from '../../../../contracts/house/access.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';
import { deviceOf } from '../../../../server/house/device.ts';
import { beOwner } from '../../../../server/house/signIn.ts';

export const POST = endpoint(async (context) =>
  json(await beOwner(await body(context, ownerInput), context.locals.caller, deviceOf(context)), 201),
);
