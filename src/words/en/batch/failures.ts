import { catalogue } from '../../catalogue.ts';

/** What server/batch/failures.ts says. */
export const WORDS = catalogue({
  noLot: 'no lot',
});
