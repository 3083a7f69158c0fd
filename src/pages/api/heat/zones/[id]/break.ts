import { breakInput } from '../../../../../contracts/heat/heat.ts';
import { body, endpoint, idParam, json } from '../../../../../server/edge.ts';
import { breakBench } from '../../../../../server/heat/changes.ts';

export const POST = endpoint(async (context) => {
  await breakBench(idParam(context), await body(context, breakInput));
  return json({ ok: true });
});
