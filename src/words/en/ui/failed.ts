import { catalogue } from '../../catalogue.ts';

/** Words of ui: what could not be read. */
export const WORDS = catalogue({
  again: 'Try again',
});
