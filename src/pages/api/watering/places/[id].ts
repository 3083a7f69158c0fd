import { endpoint, idParam, json } from '../../../../server/edge.ts';
import { readSeason } from '../../../../server/plan/season.ts';
import { placeWaterView } from '../../../../server/watering/waterViews.ts';

export const GET = endpoint(async (context) => json(placeWaterView(await readSeason(), idParam(context))));
