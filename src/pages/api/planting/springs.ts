import { endpoint, json } from '../../../server/edge.ts';
import { springsSent } from '../../../server/planting/springsSent.ts';
import { readSeason } from '../../../server/plan/season.ts';

export const GET = endpoint(async () => json(springsSent(await readSeason())));
