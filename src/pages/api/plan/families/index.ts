import { familyInput } from '../../../../contracts/plan/planning.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';
import { makeFamily } from '../../../../server/batch/families.ts';

export const POST = endpoint(async (context) => {
  const made = await makeFamily(await body(context, familyInput));
  return json(made, made.repeated ? 200 : 201);
});
