import { stockMoveInput } from '../../../contracts/potting/potting.ts';
import { body, endpoint, json } from '../../../server/edge.ts';
import { moveStock } from '../../../server/potting/change.ts';
import { stockPage } from '../../../server/potting/pages.ts';

export const GET = endpoint(async () => json(await stockPage()));
export const POST = endpoint(async (context) => {
  await moveStock(await body(context, stockMoveInput));
  return json(await stockPage(), 201);
});
