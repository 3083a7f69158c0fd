import { ProblemError } from '../../../../contracts/problem.ts';
import { zonePatch } from '../../../../contracts/heat/heat.ts';
import { body, endpoint, idParam, json } from '../../../../server/edge.ts';
import { changeZone } from '../../../../server/heat/changes.ts';
import { zoneView } from '../../../../server/heat/views.ts';
import { WORDS } from '../../../../words/en/heat/zonesIdApi.ts';

export const GET = endpoint(async (context) => {
  const { view } = await zoneView(idParam(context));
  if (!view) throw new ProblemError(404, WORDS.noSuchZone, WORDS.thereIsNoHeatedZone);
  return json(view);
});
export const PUT = endpoint(async (context) => {
  const { version, zone } = await body(context, zonePatch);
  return json(await changeZone(idParam(context), version, zone));
});
