import { isoFromDay } from '../../../core/calendar/dayNumber.ts';
import { clockInput } from '../../../contracts/house/settings.ts';
import { updateDemoClockTo } from '../../../server/house/setClock.ts';
import { body, endpoint, json } from '../../../server/edge.ts';
import { readSeason } from '../../../server/plan/season.ts';

const answer = async () => {
  const { now, world } = await readSeason();
  return json({
    instant_ms: now.instant_ms,
    today: isoFromDay(now.today),
    minute: now.minute,
    demoClock: world.nursery.demoClock,
  });
};

export const GET = endpoint(answer);

export const PUT = endpoint(async (context) => {
  await updateDemoClockTo(await body(context, clockInput));
  return answer();
});
