import { catalogue } from '../../catalogue.ts';

/** Words of the frame BooksFrame. */
export const WORDS = catalogue({
  books: 'Books',
});
