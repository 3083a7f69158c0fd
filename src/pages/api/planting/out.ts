import { z } from 'zod';
import { requireDay } from '../../../core/calendar/dayNumber.ts';
import { isoDay, recordId } from '../../../contracts/fields.ts';
import { check, endpoint, json } from '../../../server/edge.ts';
import { outDates } from '../../../server/planting/outDatesFor.ts';
import { readSeason } from '../../../server/season.ts';

const query = z.strictObject({ crop: recordId('crop'), near: isoDay('near').optional() });

export const GET = endpoint(async ({ url }) => {
  const near = url.searchParams.get('near');
  const asked = check(query, { crop: Number(url.searchParams.get('crop')), ...(near ? { near } : {}) });
  return json(outDates(await readSeason(), asked.crop, asked.near ? requireDay(asked.near) : null));
});
