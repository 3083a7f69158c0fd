import { zoneInput } from '../../../../contracts/heat/heat.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';
import { addZone } from '../../../../server/heat/changes.ts';
import { heatCards } from '../../../../server/heat/views.ts';

export const GET = endpoint(async () => json((await heatCards()).cards));
export const POST = endpoint(async (context) => json(await addZone(await body(context, zoneInput)), 201));
