import { z } from 'zod';
import { LABEL_LEAST_mm, LABEL_MOST_mm, labelSheet } from '../../../core/batch/labelSheets.ts';
import { wholeNumber } from '../../../contracts/fields.ts';
import { fieldProblem } from '../../../contracts/problem.ts';
import { check, endpoint } from '../../../server/edge.ts';
import { labelsFor, labelsPdf } from '../../../server/batch/labels.ts';
import { batchIn, readSeason } from '../../../server/plan/season.ts';

const query = z.strictObject({
  batches: z
    .string({ error: 'batches: numbers of batches, with commas between' })
    .regex(/^\d{1,9}(,\d{1,9}){0,199}$/, { error: 'batches: up to 200 numbers of batches, with commas between' }),
  sheet: z.string().max(40).default('a4-24'),
  skip: z.coerce
    .number()
    .pipe(wholeNumber('labels used already', 0, 200))
    .default(0),
});

export const GET = endpoint(async ({ url }) => {
  const { batches, sheet: key, skip } = check(query, Object.fromEntries(url.searchParams));
  const sheet = labelSheet(key);
  if (!sheet) {
    const [w, h] = LABEL_LEAST_mm;
    throw fieldProblem(
      'sheet',
      `There is no such label sheet. A roll of your own is written roll-80x40, from ${w} x ${h} to ${LABEL_MOST_mm.join(' x ')} mm.`,
    );
  }
  const season = await readSeason();
  const views = [...new Set(batches.split(',').map(Number))].map((id) => batchIn(season, id));
  const pdf = await labelsPdf(
    labelsFor(season, views),
    sheet,
    url.origin,
    Math.min(skip, sheet.columns * sheet.rows - 1),
  );
  return new Response(pdf.slice().buffer, {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': 'inline; filename="labels.pdf"',
      'cache-control': 'no-store',
    },
  });
});
