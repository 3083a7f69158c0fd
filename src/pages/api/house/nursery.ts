import { nurseryInput } from '../../../contracts/house/settings.ts';
import { writeNursery } from '../../../server/books/changeBooks.ts';
import { body, endpoint, json } from '../../../server/edge.ts';
import { readSeason } from '../../../server/plan/season.ts';

const answer = async () => json((await readSeason()).world.nursery);

export const GET = endpoint(answer);

export const PUT = endpoint(async (context) => {
  await writeNursery(await body(context, nurseryInput));
  return answer();
});
