import { typedForecast } from '../../../contracts/forecast.ts';
import { database } from '../../../server/database.ts';
import { body, endpoint, json } from '../../../server/edge.ts';
import { takeTyped } from '../../../server/forecast/take.ts';
import { readSeason } from '../../../server/season.ts';
import { forecastView } from '../../../server/site/views.ts';

export const GET = endpoint(async () => json(await forecastView(await readSeason())));
export const POST = endpoint(async (context) => {
  const input = await body(context, typedForecast);
  const { world, now } = await readSeason();
  return json(await takeTyped(database(), world, now, input), 201);
});
