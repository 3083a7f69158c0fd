import { endpoint, json } from '../../../server/edge.ts';
import { plantView } from '../../../server/planting/view.ts';
import { readSeason } from '../../../server/plan/season.ts';

export const GET = endpoint(async () => json(await plantView(await readSeason())));
