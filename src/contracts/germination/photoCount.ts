import { z } from 'zod';
import type { Call } from '../call.ts';
import { isoDay, wholeNumber } from '../fields.ts';
import { WORDS } from '../../words/en/germination/photoCountContract.ts';

/** A count from a photo as it was taken over, with what was corrected in it. */
export const photoCountInput = z
  .strictObject({
    idempotencyKey: z.string().min(8).max(64),
    day: isoDay(WORDS.day),
    tray: wholeNumber(WORDS.tray, 1, 10_000).nullable(),
    cells: wholeNumber(WORDS.cells, 0, 2000),
    up: wholeNumber(WORDS.up, 0, 100_000),
    doubled: wholeNumber(WORDS.doubled, 0, 2000),
    empty: wholeNumber(WORDS.empty, 0, 2000),
    missed: wholeNumber(WORDS.missed, 0, 2000),
    falseUp: wholeNumber(WORDS.falseUp, 0, 2000),
    merged: wholeNumber(WORDS.merged, 0, 2000),
    split: wholeNumber(WORDS.split, 0, 2000),
  })
  .superRefine((count, ctx) => {
    if (count.cells === 0) return;
    for (const path of ['up', 'doubled', 'empty', 'missed', 'falseUp', 'merged', 'split'] as const)
      if (count[path] > count.cells) ctx.addIssue({ code: 'custom', path: [path], message: WORDS.moreThanCells });
  });
export type PhotoCountInput = z.infer<typeof photoCountInput>;

export const PHOTO_CALLS: readonly Call[] = [
  {
    method: 'post',
    path: '/api/batch/{id}/photo-counts',
    summary: 'What was corrected in a count from a photo: the counter settles to the house by it',
    body: photoCountInput,
    status: 201,
  },
];
