import { catalogue } from '../../catalogue.ts';

/** What server/batch/families.ts says. */
export const WORDS = catalogue({
  noSuchFamily: 'No such family',
  thereAreNoBatchesMade: 'There are no batches made together under this number.',
  changedTogetherWithItsFamily: 'changed together with its family',
  changedBySomeoneElse: 'Changed by someone else',
  someoneChangedSinceYouOpened: (join: string) => `Someone changed ${join} since you opened this. Nothing was written.`,
});
