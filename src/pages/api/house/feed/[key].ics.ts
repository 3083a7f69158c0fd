import { timingSafeEqual } from 'node:crypto';
import { ProblemError } from '../../../../contracts/problem.ts';
import { endpoint } from '../../../../server/edge.ts';
import { readSeason } from '../../../../server/plan/season.ts';
import { workCalendar } from '../../../../server/house/takeAlong.ts';
import { WORDS } from '../../../../words/en/house/feedKeyIcsApi.ts';

export const GET = endpoint(async ({ params }) => {
  const season = await readSeason();
  const given = Buffer.from((params['key'] ?? '').padEnd(36).slice(0, 64));
  const wanted = Buffer.from(season.world.feedKey.padEnd(36).slice(0, 64));
  if (given.length !== wanted.length || !timingSafeEqual(given, wanted)) {
    throw new ProblemError(404, WORDS.noSuchFeed, WORDS.takeTheAddressOfThe);
  }
  return new Response(workCalendar(season), {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'cache-control': 'private, max-age=300',
    },
  });
});
