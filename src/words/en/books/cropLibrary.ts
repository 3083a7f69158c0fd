import { catalogue } from '../../catalogue.ts';

/** What contracts/books/cropLibrary.ts says. */
export const WORDS = catalogue({
  beanSnap: 'bean (snap)',
  cornSweet: 'corn (sweet)',
});
