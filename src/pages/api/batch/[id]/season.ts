import { batchSeason } from '../../../../contracts/house/seasons.ts';
import { body, endpoint, idParam, json } from '../../../../server/edge.ts';
import { putIntoSeason } from '../../../../server/house/seasons.ts';

export const POST = endpoint(async (context) => {
  const { version, seasonId } = await body(context, batchSeason);
  await putIntoSeason(idParam(context), version, seasonId);
  return json({ seasonId });
});
