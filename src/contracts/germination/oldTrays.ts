import { z } from 'zod';
import { idempotencyKey } from '../batch/batches.ts';
import type { Call } from '../call.ts';
import { shortText } from '../fields.ts';
import type { FieldError } from '../problem.ts';
import { WORDS } from '../../words/en/germination/oldTraysContracts.ts';

/** A file of trays counted in years before. */
export const oldTraysInput = z.strictObject({
  name: shortText(WORDS.nameOfTheFile, 120),
  text: z.string().max(2_000_000, { error: WORDS.fileAtMost2Mb }),
  /** false: only say what is in it. */
  commit: z.boolean(),
  idempotencyKey: idempotencyKey.optional(),
  /** Which number of a date such as 03/04/2023 is the day; absent: as the file's own dates say. */
  dateOrder: z.enum(['dmy', 'mdy']).optional(),
});
export type OldTraysInput = z.infer<typeof oldTraysInput>;

/** Whether the trays of a file are not used for estimates. */
export const oldTraysPatch = z.strictObject({ leftOut: z.boolean({ error: 'leftOut: true or false' }) });
export type OldTraysPatch = z.infer<typeof oldTraysPatch>;

/** What a crop's trays of a file say together. */
export interface OldTraysOfCrop {
  readonly crop: string;
  readonly trays_count: number;
  readonly from: string;
  readonly to: string;
  /** Times the book's days to half up, as the middle tray had it. */
  readonly time_factor: number;
}

export interface OldTraysAnswer {
  readonly crops: readonly OldTraysOfCrop[];
  readonly errors: readonly FieldError[];
  /** Trays read in; 0 for a preview. */
  readonly taken: number;
  readonly repeated: boolean;
}

/** A file read in before. */
export interface OldTrayFile {
  readonly id: number;
  readonly name: string;
  readonly taken_ms: number;
  readonly authorId: number | null;
  readonly leftOut: boolean;
  readonly trays_count: number;
  readonly crops_count: number;
}

export const OLD_TRAYS_CALLS: readonly Call[] = [
  {
    method: 'post',
    path: '/api/germination/old-trays',
    summary: 'Read trays counted in years before from CSV, for what they teach of coming up; a preview, or all of it',
    body: oldTraysInput,
    status: 200,
  },
  {
    method: 'patch',
    path: '/api/germination/old-trays/{id}',
    summary: WORDS.leaveTheTraysOfA,
    body: oldTraysPatch,
    status: 200,
  },
];
