import { outcomeInput } from '../../../../../contracts/potting/potting.ts';
import { body, endpoint, idParam, json } from '../../../../../server/edge.ts';
import { logOutcome, viewSession } from '../../../../../server/potting/change.ts';

export const POST = endpoint(async (context) => {
  const id = idParam(context);
  const logged = await logOutcome(id, await body(context, outcomeInput));
  return json({ ...logged, session: await viewSession(id) }, logged.repeated ? 200 : 201);
});
