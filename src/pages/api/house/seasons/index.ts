import { isoFromDay } from '../../../../core/calendar/dayNumber.ts';
import { seasonInput } from '../../../../contracts/house/seasons.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';
import { createSeason, listSeasons } from '../../../../server/house/seasons.ts';

export const GET = endpoint(async () =>
  json(
    (await listSeasons()).map((one) => ({
      ...one,
      firstDay: isoFromDay(one.firstDay),
      lastDay: isoFromDay(one.lastDay),
    })),
  ),
);

export const POST = endpoint(async (context) => json(await createSeason(await body(context, seasonInput)), 201));
