import { ProblemError } from '../../../../contracts/problem.ts';
import { zonePatch } from '../../../../contracts/heat/heat.ts';
import { body, endpoint, idParam, json } from '../../../../server/edge.ts';
import { changeZone } from '../../../../server/heat/changes.ts';
import { zoneView } from '../../../../server/heat/views.ts';

export const GET = endpoint(async (context) => {
  const { view } = await zoneView(idParam(context));
  if (!view) throw new ProblemError(404, 'No such zone', 'There is no heated zone of that number.');
  return json(view);
});
export const PUT = endpoint(async (context) => {
  const { version, zone } = await body(context, zonePatch);
  return json(await changeZone(idParam(context), version, zone));
});
