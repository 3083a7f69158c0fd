import { endpoint } from '../../../server/edge.ts';
import { photosZip } from '../../../server/house/photos.ts';
import { readSeason } from '../../../server/plan/season.ts';

export const GET = endpoint(
  async () =>
    new Response(await photosZip(await readSeason()), {
      headers: {
        'content-type': 'application/zip',
        'content-disposition': 'attachment; filename="crook-photos.zip"',
        'cache-control': 'no-store',
      },
    }),
);
