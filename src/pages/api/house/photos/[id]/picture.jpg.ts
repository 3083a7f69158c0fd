import { endpoint, idParam } from '../../../../../server/edge.ts';
import { pictureOr404 } from '../../../../../server/house/photos.ts';

/** A picture never changes; one that is taken out is gone from devices within a day. */
const KEEP_s = 86_400;

export const GET = endpoint(
  async (context) =>
    new Response(new Uint8Array(await pictureOr404(idParam(context))), {
      headers: { 'content-type': 'image/jpeg', 'cache-control': `private, max-age=${KEEP_s}` },
    }),
);
