import { seasonClosing } from '../../../../../contracts/house/seasons.ts';
import { body, endpoint, idParam, json } from '../../../../../server/edge.ts';
import { closeSeason } from '../../../../../server/house/seasons.ts';

export const POST = endpoint(async (context) =>
  json(await closeSeason(idParam(context), await body(context, seasonClosing))),
);
