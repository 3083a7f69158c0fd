import { plantingSettingsInput } from '../../../contracts/hardening/hardening.ts';
import { body, endpoint, json } from '../../../server/edge.ts';
import { writePlanting } from '../../../server/planting/change.ts';

export const PUT = endpoint(async (context) => {
  await writePlanting(await body(context, plantingSettingsInput));
  return json({ ok: true });
});
