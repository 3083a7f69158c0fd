import { z } from 'zod';
import { requireDay } from '../../../core/calendar/dayNumber.ts';
import { isoDay, recordId } from '../../../contracts/fields.ts';
import { check, endpoint, json } from '../../../server/edge.ts';
import { outDates } from '../../../server/planting/outDatesFor.ts';
import { readSeason } from '../../../server/plan/season.ts';

const query = z.strictObject({
  crop: recordId('crop'),
  variety: recordId('variety').optional(),
  near: isoDay('near').optional(),
});

export const GET = endpoint(async ({ url }) => {
  const near = url.searchParams.get('near');
  const variety = url.searchParams.get('variety');
  const asked = check(query, {
    crop: Number(url.searchParams.get('crop')),
    ...(variety ? { variety: Number(variety) } : {}),
    ...(near ? { near } : {}),
  });
  return json(
    outDates(await readSeason(), asked.crop, asked.variety ?? null, asked.near ? requireDay(asked.near) : null),
  );
});
