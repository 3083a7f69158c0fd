import { pottingSettingsInput } from '../../../contracts/potting/potting.ts';
import { body, endpoint, json } from '../../../server/edge.ts';
import { writePotting } from '../../../server/potting/change.ts';

export const PUT = endpoint(async (context) => {
  await writePotting(await body(context, pottingSettingsInput));
  return json({ ok: true });
});
