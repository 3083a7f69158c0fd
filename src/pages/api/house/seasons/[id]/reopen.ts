import { seasonReopening } from '../../../../../contracts/house/seasons.ts';
import { body, endpoint, idParam, json } from '../../../../../server/edge.ts';
import { reopenSeason } from '../../../../../server/house/seasons.ts';

export const POST = endpoint(async (context) => {
  const { version } = await body(context, seasonReopening);
  return json(await reopenSeason(idParam(context), version));
});
