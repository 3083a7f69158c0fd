import { frostChoice, weatherImport } from '../../../contracts/weather/weather.ts';
import { body, check, endpoint, json, WEATHER_BYTES } from '../../../server/edge.ts';
import { readSeason } from '../../../server/plan/season.ts';
import { importWeather, weatherView } from '../../../server/weather/weather.ts';

export const GET = endpoint(async ({ url }) => {
  const asked = (name: string) => {
    const text = url.searchParams.get(name);
    return text === null || text === '' ? undefined : Number(text);
  };
  const { threshold_C, risk_frac } = check(frostChoice.omit({ version: true }).partial(), {
    threshold_C: asked('threshold'),
    risk_frac: asked('risk'),
  });
  return json(await weatherView(await readSeason(), threshold_C, risk_frac));
});
export const POST = endpoint(async (context) =>
  json(await importWeather(await body(context, weatherImport, WEATHER_BYTES))),
);
