import { endpoint, file } from '../../server/edge.ts';
import { readSeason } from '../../server/plan/season.ts';
import { logCsv } from '../../server/house/takeAlong.ts';

export const GET = endpoint(async () => file(logCsv(await readSeason()), 'text/csv', 'crook-log.csv'));
