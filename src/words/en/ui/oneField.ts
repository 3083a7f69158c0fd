import { catalogue } from '../../catalogue.ts';

/** Words of ui: OneField. */
export const WORDS = catalogue({
  none: 'none',
  choose: 'choose',
});
