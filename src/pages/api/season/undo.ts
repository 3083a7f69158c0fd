import { undoInput } from '../../../contracts/planning.ts';
import { undoPlan } from '../../../server/changePlan.ts';
import { body, endpoint, json } from '../../../server/edge.ts';

export const POST = endpoint(async (context) => json(await undoPlan(await body(context, undoInput))));
