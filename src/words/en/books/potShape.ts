import { catalogue } from '../../catalogue.ts';

/** What contracts/books/potShape.ts says. */
export const WORDS = catalogue({
  widthAtTheTop: 'width at the top',
  widthAtTheBase: 'width at the base',
});
