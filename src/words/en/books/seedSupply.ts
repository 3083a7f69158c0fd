import { catalogue } from '../../catalogue.ts';

/** What core/books/seedSupply.ts says. */
export const WORDS = catalogue({
  weightOfAThousandSeeds: 'weight of a thousand seeds, g',
});
