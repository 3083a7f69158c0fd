import { awayDays } from '../../../server/watering/awayDays.ts';
import { endpoint, json } from '../../../server/edge.ts';
import { readSeason } from '../../../server/plan/season.ts';
import { waterPlanView } from '../../../server/watering/waterViews.ts';

export const GET = endpoint(async ({ url }) => json(waterPlanView(await readSeason(), awayDays(url))));
