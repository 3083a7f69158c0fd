import { eventInput } from '../../../../contracts/batch/batches.ts';
import { logEvent } from '../../../../server/batch/changeBatches.ts';
import { body, endpoint, idParam, json } from '../../../../server/edge.ts';

export const POST = endpoint(async (context) => {
  const logged = await logEvent(idParam(context), await body(context, eventInput));
  return json(logged, logged.repeated ? 200 : 201);
});
