import { catalogue } from '../../catalogue.ts';

/** Words of ui: Field. */
export const WORDS = catalogue({
  choose: 'choose',
});
