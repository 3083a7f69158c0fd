import { endpoint, json } from '../../../server/edge.ts';
import { devicePages } from '../../../server/house/devicePages.ts';
import { readSeason } from '../../../server/plan/season.ts';

export const GET = endpoint(async () => json(await devicePages(await readSeason())));
