import { roundLineInput } from '../../../../contracts/house/round.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';
import { logRound } from '../../../../server/house/logRound.ts';

export const POST = endpoint(async (context) => {
  const logged = await logRound(await body(context, roundLineInput));
  return json(logged, logged.repeated ? 200 : 201);
});
