import { joinInput } from '../../../../contracts/house/access.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';
import { deviceOf } from '../../../../server/house/device.ts';
import { join } from '../../../../server/house/signIn.ts';

export const POST = endpoint(async (context) =>
  json(await join(await body(context, joinInput), deviceOf(context)), 201),
);
