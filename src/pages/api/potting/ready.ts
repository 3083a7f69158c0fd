import { endpoint, json } from '../../../server/edge.ts';
import { readyPage } from '../../../server/potting/pages.ts';
import { readSeason } from '../../../server/plan/season.ts';

export const GET = endpoint(async () => json(await readyPage(await readSeason())));
