import { endpoint, json } from '../../../../server/edge.ts';
import { roundAnswer } from '../../../../server/house/roundView.ts';
import { onlyOf, seasonChoice } from '../../../../server/house/seasonChoice.ts';
import { readSeason } from '../../../../server/plan/season.ts';

export const GET = endpoint(async ({ url }) => {
  const season = await readSeason();
  return json(await roundAnswer(onlyOf(season, seasonChoice(season, url, 'open').chosen), season));
});
