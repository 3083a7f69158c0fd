import { endpoint, file } from '../../../server/edge.ts';
import { seasonChoice } from '../../../server/house/seasonChoice.ts';
import { logCsv } from '../../../server/house/takeAlong.ts';
import { readSeason } from '../../../server/plan/season.ts';

export const GET = endpoint(async ({ url }) => {
  const season = await readSeason();
  const { chosen } = seasonChoice(season, url, 'all');
  return file(await logCsv(season, chosen?.id ?? null), 'text/csv', 'crook-log.csv');
});
