import { z } from 'zod';
import { LABEL_LEAST_mm, LABEL_MOST_mm, labelSheet } from '../../../core/batch/labelSheets.ts';
import { wholeNumber } from '../../../contracts/fields.ts';
import { fieldProblem } from '../../../contracts/problem.ts';
import { check, endpoint } from '../../../server/edge.ts';
import { labelsFor, labelsPdf } from '../../../server/batch/labels.ts';
import { batchIn, readSeason } from '../../../server/plan/season.ts';
import { WORDS } from '../../../words/en/batch/labelsPdfApi.ts';

const query = z.strictObject({
  batches: z
    .string({ error: `batches: ${WORDS.numbersOfBatchesWithCommas}` })
    .regex(/^\d{1,9}(,\d{1,9}){0,199}$/, { error: `batches: ${WORDS.upToNumbersOfBatches}` }),
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
    throw fieldProblem('sheet', WORDS.thereIsNoSuchLabel(w, h, LABEL_MOST_mm.join(' x ')));
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
