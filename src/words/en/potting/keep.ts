import { catalogue } from '../../catalogue.ts';

/** What core/potting/keep.ts says. */
export const WORDS = catalogue({
  plantsWanted: 'plants wanted',
  lossesAfterPotting: 'losses after potting',
});
