import { overrideInput } from '../../../../../contracts/heat/heat.ts';
import { body, endpoint, idParam, json } from '../../../../../server/edge.ts';
import { endOverride, overrideZone } from '../../../../../server/heat/changes.ts';

export const POST = endpoint(async (context) => {
  await overrideZone(idParam(context), await body(context, overrideInput));
  return json({ ok: true }, 201);
});
export const DELETE = endpoint(async (context) => {
  await endOverride(idParam(context));
  return json({ ok: true });
});
