import { nurseryInput } from '../../contracts/settings.ts';
import { writeNursery } from '../../server/changeBooks.ts';
import { body, endpoint, json } from '../../server/edge.ts';
import { readSeason } from '../../server/season.ts';

const answer = async () => json((await readSeason()).world.nursery);

export const GET = endpoint(answer);

export const PUT = endpoint(async (context) => {
  await writeNursery(await body(context, nurseryInput));
  return answer();
});
