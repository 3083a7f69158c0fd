import { endpoint, json } from '../../../server/edge.ts';
import { hardenView } from '../../../server/hardening/view.ts';
import { readSeason } from '../../../server/plan/season.ts';

export const GET = endpoint(async () => json(await hardenView(await readSeason())));
