import { catalogue } from '../../catalogue.ts';

/** What core/growth/bands.ts says. */
export const WORDS = catalogue({
  mustBeAboveTheColdest: 'must be above the coldest it bears',
  mustBeAboveTheComfortable: 'must be above the comfortable night',
  mustNotBeBelowThe: 'must not be below the coldest it bears',
  mustNotBeAboveThe: 'must not be above the warmest it bears',
  mustBeBelowTheComfortable: 'must be below the comfortable day',
});
