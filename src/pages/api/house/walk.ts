import { walkInput } from '../../../contracts/house/round.ts';
import { body, endpoint, json } from '../../../server/edge.ts';
import { putInWalkingOrder } from '../../../server/house/logRound.ts';

export const PUT = endpoint(async (context) => {
  await putInWalkingOrder(await body(context, walkInput));
  return json({});
});
