import { tabletInput } from '../../../../contracts/house/access.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';
import { deviceOf } from '../../../../server/house/device.ts';
import { joinTablet } from '../../../../server/house/signIn.ts';

export const POST = endpoint(async (context) => {
  await joinTablet(await body(context, tabletInput), deviceOf(context));
  return json({}, 201);
});
