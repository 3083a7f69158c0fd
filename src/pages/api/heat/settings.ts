import { heatSettingsInput } from '../../../contracts/heat/heat.ts';
import { body, endpoint, json } from '../../../server/edge.ts';
import { changeHeatSettings, heatSettings } from '../../../server/heat/changes.ts';

export const GET = endpoint(async () => json(await heatSettings()));
export const PUT = endpoint(async (context) => json(await changeHeatSettings(await body(context, heatSettingsInput))));
