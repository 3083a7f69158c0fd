import { photoInput } from '../../../../contracts/house/photos.ts';
import { body, endpoint, json, PHOTO_BYTES } from '../../../../server/edge.ts';
import { readForLog } from '../../../../server/plan/season.ts';
import { photosAsked, photosFor, takePhoto } from '../../../../server/house/photos.ts';

export const GET = endpoint(async ({ url }) => json(await photosFor(await readForLog(), photosAsked(url))));

export const POST = endpoint(async (context) => {
  const taken = await takePhoto(await body(context, photoInput, PHOTO_BYTES));
  return json(taken, taken.repeated ? 200 : 201);
});
