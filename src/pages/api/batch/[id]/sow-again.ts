import { sowAgainInput } from '../../../../contracts/batch/batches.ts';
import { body, endpoint, idParam, json } from '../../../../server/edge.ts';
import { sowAgain } from '../../../../server/batch/sowAgain.ts';

export const POST = endpoint(async (context) => {
  const done = await sowAgain(idParam(context), await body(context, sowAgainInput));
  return json(done, done.repeated ? 200 : 201);
});
