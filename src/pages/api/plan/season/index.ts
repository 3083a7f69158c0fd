import { endpoint } from '../../../../server/edge.ts';
import { seasonDataJson } from '../../../../server/house/houseData.ts';
import { readSeason } from '../../../../server/plan/season.ts';

export const GET = endpoint(
  async () =>
    new Response(seasonDataJson(await readSeason()), {
      headers: { 'content-type': 'application/json; charset=utf-8', 'cache-control': 'no-store' },
    }),
);
