import { frostChoice } from '../../../contracts/weather/weather.ts';
import { body, endpoint, json } from '../../../server/edge.ts';
import { chooseFrost } from '../../../server/weather/weather.ts';

export const PUT = endpoint(async (context) => {
  const { version, threshold_C, risk_frac } = await body(context, frostChoice);
  return json(await chooseFrost(version, threshold_C, risk_frac));
});
