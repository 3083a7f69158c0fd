import { z } from 'zod';
import type { Call } from '../call.ts';
import { isoDay, recordId, version } from '../fields.ts';
import type { KeptBatch } from '../../core/batch/keptBatch.ts';
import type { SeasonRecord } from '../../core/house/seasonRecord.ts';
import { WORDS } from '../../words/en/house/seasonsContracts.ts';

/** Longest a season may be, days: two years and a leap day. */
const MOST_days = 732;

const name = z
  .string({ error: WORDS.nameAShortNameSuch })
  .trim()
  .min(1, { error: WORDS.nameGiveTheSeasonA })
  .max(60, { error: WORDS.name60CharactersAtMost });

const days = { firstDay: isoDay(WORDS.firstDay), lastDay: isoDay(WORDS.lastDay) };
/** Refuses days the wrong way round, and a season that is too long. */
function inOrder({ firstDay, lastDay }: { firstDay: string; lastDay: string }, context: z.RefinementCtx): void {
  const days = (Date.parse(lastDay) - Date.parse(firstDay)) / 86_400_000;
  const fault = (message: string) => context.addIssue({ code: 'custom', path: ['lastDay'], message });
  if (!(days > 0)) fault(WORDS.lastDayAfterTheFirst);
  if (days >= MOST_days) fault(WORDS.lastDayAtMostTwo);
}

/** A season to be made, or one changed at its version. */
export const seasonInput = z.strictObject({ name, ...days }).superRefine(inOrder);
export const seasonPatch = z.strictObject({ version, name, ...days }).superRefine(inOrder);

/** What is to be done with batches that still stand, or are still to be sown, when a season is closed. */
export const seasonClosing = z.strictObject({
  version,
  standing: z.enum(['ask', 'carry-over'], { error: WORDS.standingAskOrCarryOver }).default('ask'),
});
export const seasonReopening = z.strictObject({ version });
/** A batch put into another season. */
export const batchSeason = z.strictObject({ version, seasonId: recordId('season') });

export type SeasonInput = z.infer<typeof seasonInput>;
export type SeasonPatch = z.infer<typeof seasonPatch>;
export type SeasonClosing = z.infer<typeof seasonClosing>;

/** A season with what is in it. */
export interface SeasonView extends SeasonRecord {
  readonly batches_count: number;
  /** Batches that still stand or are still to be sown; 0 in a closed season. */
  readonly open_count: number;
}

/** A batch of a closed season as its list shows it. */
export interface KeptLine {
  readonly id: number;
  readonly code: string;
  readonly kept: KeptBatch;
}

export const SEASON_CALLS: readonly Call[] = [
  { method: 'get', path: '/api/house/seasons', summary: WORDS.seasonsTheLatestFirst, status: 200 },
  { method: 'post', path: '/api/house/seasons', summary: 'Make a season', body: seasonInput, status: 201 },
  {
    method: 'patch',
    path: '/api/house/seasons/{id}',
    summary: WORDS.nameOrDaysOfAn,
    body: seasonPatch,
    status: 200,
  },
  {
    method: 'post',
    path: '/api/house/seasons/{id}/close',
    summary: WORDS.closeASeasonItsBatches,
    body: seasonClosing,
    status: 200,
  },
  {
    method: 'post',
    path: '/api/house/seasons/{id}/reopen',
    summary: WORDS.openAClosedSeasonAgain,
    body: seasonReopening,
    status: 200,
  },
  {
    method: 'post',
    path: '/api/batch/{id}/season',
    summary: WORDS.putABatchIntoAnother,
    body: batchSeason,
    status: 200,
  },
];
