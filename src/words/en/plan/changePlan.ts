import { catalogue } from '../../catalogue.ts';

/** What server/plan/changePlan.ts says. */
export const WORDS = catalogue({
  noSuchChange: 'No such change',
  thereIsNoChangeNumber: (changeId: number) => `There is no change number ${changeId} of the plan.`,
  undoneAlready: 'Undone already',
  undone: (words: string) => `undone: ${words}`,
  noSuchBatch: 'No such batch',
  thereIsNoBatchNumber: (id: number) => `There is no batch number ${id}.`,
  seasonPlan: (words: string) => `season plan: ${words}`,
  thisBatchIsNamedTwice: 'This batch is named twice.',
  thereIsNothingInThis: 'There is nothing in this plan to take over.',
  thisKeyWasUsedFor: 'This key was used for another plan; use a fresh one.',
  someoneHasUndoneThisLook: 'Someone has undone this; look at the season as it now stands.',
});
