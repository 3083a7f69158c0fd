import { z } from 'zod';
import { check, endpoint, file, idParam, json } from '../../../../../server/edge.ts';
import { asCsv, exportReadings } from '../../../../../server/heat/exchange.ts';
import { WORDS } from '../../../../../words/en/heat/zonesIdReadingsApi.ts';

const instant = (name: string) =>
  z.coerce
    .number({ error: `${name}: ${WORDS.epochMilliseconds}` })
    .min(0)
    .max(4e12);
const query = z
  .object({ from: instant('from'), to: instant('to'), as: z.enum(['csv', 'json']).default('json') })
  .refine((q) => q.to > q.from, { path: ['to'], error: `to: ${WORDS.afterFrom}` });

export const GET = endpoint(async (context) => {
  const { from, to, as } = check(query, Object.fromEntries(context.url.searchParams));
  const lines = await exportReadings(idParam(context), from, to);
  return as === 'csv' ? file(asCsv(lines), 'text/csv', 'readings.csv') : json(lines);
});
