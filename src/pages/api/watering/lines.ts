import { waterInput } from '../../../contracts/watering/water.ts';
import { body, endpoint, json } from '../../../server/edge.ts';
import { logWater } from '../../../server/watering/logWater.ts';

export const POST = endpoint(async (context) => {
  const logged = await logWater(await body(context, waterInput));
  return json(logged, logged.repeated ? 200 : 201);
});
