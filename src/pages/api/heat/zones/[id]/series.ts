import { z } from 'zod';
import { ProblemError } from '../../../../../contracts/problem.ts';
import { check, endpoint, idParam, json } from '../../../../../server/edge.ts';
import { seriesOf } from '../../../../../server/heat/views.ts';
import { WORDS } from '../../../../../words/en/heat/zonesIdSeriesApi.ts';

const instant = (name: string) =>
  z.coerce
    .number({ error: `${name}: ${WORDS.epochMilliseconds}` })
    .min(0)
    .max(4e12);
const query = z
  .object({ from: instant('from'), to: instant('to'), width: z.coerce.number().int().min(10).max(2000).default(600) })
  .refine((q) => q.to > q.from && q.to - q.from <= 6 * 366 * 86_400_000, {
    path: ['to'],
    error: `to: ${WORDS.afterFromAtMostSix}`,
  });

export const GET = endpoint(async (context) => {
  const { from, to, width } = check(query, Object.fromEntries(context.url.searchParams));
  const answer = await seriesOf(idParam(context), from, to, width);
  if (!answer) throw new ProblemError(404, WORDS.noSuchZone, WORDS.thereIsNoHeatedZone);
  return json(answer);
});
