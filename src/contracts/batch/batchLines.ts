import { z } from 'zod';
import type { Call } from '../call.ts';
import { idempotencyKey } from './batches.ts';
import { WORDS } from '../../words/en/batch/batchLinesContracts.ts';

/** Most lines sent at once. */
export const MOST_BATCH_LINES = 200;

const lines = z
  .array(z.string({ error: WORDS.lineSomeWords }).max(600, { error: WORDS.lineAtMost600Letters }))
  .min(1, { error: WORDS.linesOneAtLeast })
  .max(MOST_BATCH_LINES, { error: WORDS.linesAtMostAtOnce(MOST_BATCH_LINES) });

/** Lines such as "120 tomatoes 24 May", looked at only. */
export const lookAtLines = z.strictObject({ lines });
/** The same, to be made: all of them or none. */
export const makeLines = z.strictObject({ idempotencyKey, lines });
export type MakeLines = z.infer<typeof makeLines>;

/** What a stretch of a line was taken for; null: not understood. */
export interface SaidPart {
  readonly from: number;
  readonly to: number;
  readonly as: 'times' | 'plants' | 'crop' | 'variety' | 'date' | 'every' | 'until' | 'lot' | 'way' | null;
}

/** One of the batches a line makes. */
export interface LineBatch {
  readonly transplantOn: string;
  readonly sowOn: string | null;
  /** Places in their order. */
  readonly places: readonly string[];
  /** Days after (before, negative) the day asked for. */
  readonly late_days: number;
  /** What is lacking; null: nothing. */
  readonly lack: string | null;
}

/** A line as it was read. */
export interface ReadLine {
  readonly line: string;
  readonly parts: readonly SaidPart[];
  readonly problems: readonly { readonly part: string; readonly message: string }[];
  /** Crops of which one is meant; empty where there is no doubt. */
  readonly crops: readonly string[];
  readonly crop: string | null;
  readonly variety: string | null;
  readonly lot: string | null;
  readonly plants: number | null;
  readonly times: number;
  readonly every_days: number | null;
  readonly day: string | null;
  readonly isSowing: boolean;
  /** Placed by the planner beside what stands there; none while something is missing. */
  readonly batches: readonly LineBatch[];
}

export interface LinesLooked {
  readonly lines: readonly ReadLine[];
}

export interface LinesMade {
  readonly made: readonly { readonly id: number; readonly code: string }[];
  readonly repeated: boolean;
}

export const LINE_CALLS: readonly Call[] = [
  {
    method: 'post',
    path: '/api/batch/lines/look',
    summary: WORDS.whatLinesSuchAs120,
    body: lookAtLines,
    status: 200,
  },
  {
    method: 'post',
    path: '/api/batch/lines',
    summary: WORDS.makeTheBatchesOfSuch,
    body: makeLines,
    status: 201,
  },
];
