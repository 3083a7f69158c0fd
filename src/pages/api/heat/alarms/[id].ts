import { takeInput } from '../../../../contracts/heat/heat.ts';
import { body, endpoint, idParam, json } from '../../../../server/edge.ts';
import { takeAlarmBy } from '../../../../server/heat/changes.ts';

export const POST = endpoint(async (context) =>
  json(await takeAlarmBy(idParam(context), (await body(context, takeInput)).by)),
);
