import { beginInput } from '../../../../contracts/house/begin.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';
import { beginNursery } from '../../../../server/house/begin.ts';
import { forgetTowns } from '../../../../server/house/towns.ts';
import { readSeason } from '../../../../server/plan/season.ts';

export const POST = endpoint(async (context) => {
  await beginNursery(await body(context, beginInput));
  forgetTowns();
  return json((await readSeason()).world.nursery, 201);
});
