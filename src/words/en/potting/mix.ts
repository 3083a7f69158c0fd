import { catalogue } from '../../catalogue.ts';

/** What core/potting/mix.ts says. */
export const WORDS = catalogue({
  aThingNoLongerIn: 'a thing no longer in the book of stock',
  thePartsOfAddUp: (recipe: string) => `the parts of ${recipe} add up to nothing; give each its share`,
});
