import { endpoint, idParam, json } from '../../../../../server/edge.ts';
import { removePhoto } from '../../../../../server/house/photos.ts';

export const DELETE = endpoint(async (context) => {
  await removePhoto(idParam(context));
  return json({ removed: true });
});
