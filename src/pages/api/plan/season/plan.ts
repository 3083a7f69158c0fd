import { planChangeInput } from '../../../../contracts/plan/planning.ts';
import { changePlan, planChanges } from '../../../../server/plan/changePlan.ts';
import { body, endpoint, IMPORT_BYTES, json } from '../../../../server/edge.ts';

export const GET = endpoint(async () => json(await planChanges()));

export const POST = endpoint(async (context) => {
  const changed = await changePlan(await body(context, planChangeInput, IMPORT_BYTES));
  return json(changed, changed.repeated ? 200 : 201);
});
