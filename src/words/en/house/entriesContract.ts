import { catalogue } from '../../catalogue.ts';

/** What contracts/house/entries.ts says. */
export const WORDS = catalogue({
  notTogether: 'path: this goes by its own call',
});
