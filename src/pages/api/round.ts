import { endpoint, json } from '../../server/edge.ts';
import { roundAnswer } from '../../server/house/roundView.ts';
import { readSeason } from '../../server/plan/season.ts';

export const GET = endpoint(async () => json(await roundAnswer(await readSeason())));
