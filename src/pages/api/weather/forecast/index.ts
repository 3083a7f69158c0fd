import { typedForecast } from '../../../../contracts/weather/forecast.ts';
import { database } from '../../../../server/database.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';
import { takeTyped } from '../../../../server/weather/takeForecast.ts';
import { readSeason } from '../../../../server/plan/season.ts';
import { forecastView } from '../../../../server/weather/siteViews.ts';

export const GET = endpoint(async () => json(await forecastView(await readSeason())));
export const POST = endpoint(async (context) => {
  const input = await body(context, typedForecast);
  const { world, now } = await readSeason();
  return json(await takeTyped(database(), world, now, input), 201);
});
