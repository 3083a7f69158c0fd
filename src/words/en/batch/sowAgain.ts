import { catalogue } from '../../catalogue.ts';

/** What server/batch/sowAgain.ts says. */
export const WORDS = catalogue({
  noSuchBatch: 'No such batch',
  thereIsNoBatchNumber: (id: number) => `There is no batch number ${id}.`,
  sownAgainFor: (code: string, cause: string) => `Sown again for ${code}: ${cause}`,
  sownAgainFor2: (code: string) => `sown again for ${code}`,
  sownAgainAs: (code: string) => `sown again as ${code}`,
  thisKeyWasUsedFor: 'This key was used for something else; use a fresh one.',
  onlyWhatIsSownAnd: 'Only what is sown and not yet off the heat is sown again; make a new batch instead.',
  sownTodayItCannotGo: (MOST_LATER_days: number, transplantOn: string) =>
    `Sown today it cannot go out within ${MOST_LATER_days} days of ${transplantOn}; make a new batch with another plan.`,
});
