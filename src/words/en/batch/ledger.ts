import { catalogue } from '../../catalogue.ts';

/** Words of the batch screens: Ledger. */
export const WORDS = catalogue({
  what: 'What',
  place: 'Place',
  by: 'By',
});
