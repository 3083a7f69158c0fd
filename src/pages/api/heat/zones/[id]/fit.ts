import { endpoint, idParam, json } from '../../../../../server/edge.ts';
import { forgetZone, learnZone } from '../../../../../server/heat/changes.ts';

export const GET = endpoint(async (context) => json(await learnZone(idParam(context), false)));
export const POST = endpoint(async (context) => json(await learnZone(idParam(context), true)));
export const DELETE = endpoint(async (context) => {
  await forgetZone(idParam(context));
  return json({ ok: true });
});
