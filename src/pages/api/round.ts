import { endpoint, json } from '../../server/edge.ts';
import { roundAnswer } from '../../server/roundView.ts';
import { readSeason } from '../../server/season.ts';

export const GET = endpoint(async () => json(await roundAnswer(await readSeason())));
