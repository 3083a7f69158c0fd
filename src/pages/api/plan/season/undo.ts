import { undoInput } from '../../../../contracts/plan/planning.ts';
import { undoPlan } from '../../../../server/plan/changePlan.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';

export const POST = endpoint(async (context) => json(await undoPlan(await body(context, undoInput))));
