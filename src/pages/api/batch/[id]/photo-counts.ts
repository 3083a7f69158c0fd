import { photoCountInput } from '../../../../contracts/germination/photoCount.ts';
import { body, endpoint, idParam, json } from '../../../../server/edge.ts';
import { keepPhotoCount } from '../../../../server/germination/photoCounts.ts';

export const POST = endpoint(async (context) => {
  const kept = await keepPhotoCount(idParam(context), await body(context, photoCountInput));
  return json(kept, kept.repeated ? 200 : 201);
});
