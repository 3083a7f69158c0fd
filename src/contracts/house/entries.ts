import { z } from 'zod';
import type { Call } from '../call.ts';
import { recordId } from '../fields.ts';
import { GOES_TOGETHER, MOST_ENTRIES } from './together.ts';
import { WORDS } from '../../words/en/house/entriesContract.ts';

const YEAR_ms = 366 * 86_400_000;

/** What waited on a device, in the order of taps: each as it would be sent by itself, with whose hands and how long ago. */
export const entriesInput = z.strictObject({
  entries: z
    .array(
      z.strictObject({
        path: z.string().regex(GOES_TOGETHER, { error: WORDS.notTogether }),
        body: z.record(z.string(), z.unknown()),
        personId: recordId('person').nullable(),
        age_ms: z.number().int().min(-YEAR_ms).max(YEAR_ms),
      }),
    )
    .min(1)
    .max(MOST_ENTRIES),
});
export type EntriesInput = z.output<typeof entriesInput>;

/** How one of them ended: as its own call would have. */
export interface EntryAnswer {
  readonly status: number;
  readonly body: unknown;
}

export const ENTRY_CALLS: readonly Call[] = [
  {
    method: 'post',
    path: '/api/house/entries',
    summary:
      'What waited on a device, in the order of taps; each is done and answered as by its own call, and none after one that has to wait',
    body: entriesInput,
    status: 200,
  },
];
