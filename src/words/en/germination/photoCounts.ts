import { catalogue } from '../../catalogue.ts';

/** What server/germination/photoCounts.ts says. */
export const WORDS = catalogue({
  noSuchBatch: 'No such batch',
  noBatchOfThisNumber: 'There is no batch of this number in an open season.',
  aDayToCome: 'day: a photo is counted when it is taken; choose today or a day before',
  keyUsed: 'key: it was used for another count; send a new one',
});
