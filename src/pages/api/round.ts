import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { fillDays } from '../../server/takeAlong.ts';
import { endpoint, json } from '../../server/edge.ts';
import { readSeason } from '../../server/season.ts';

export const GET = endpoint(async () => {
  const { batches, now } = await readSeason();
  const jobs = batches.flatMap((view) =>
    view.round.map(({ dueOn, why, whyDay, ...job }) => ({
      ...job,
      batch: view.name,
      code: view.batch.code,
      dueOn: isoFromDay(dueOn),
      why: fillDays(why, whyDay),
    })),
  );
  return json({ today: isoFromDay(now.today), jobs });
});
