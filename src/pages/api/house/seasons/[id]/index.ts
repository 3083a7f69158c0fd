import { seasonPatch } from '../../../../../contracts/house/seasons.ts';
import { body, endpoint, idParam, json } from '../../../../../server/edge.ts';
import { patchSeason } from '../../../../../server/house/seasons.ts';

export const PATCH = endpoint(async (context) =>
  json(await patchSeason(idParam(context), await body(context, seasonPatch))),
);
