import { catalogue } from '../../catalogue.ts';

/** Words of the frame PotFrame. */
export const WORDS = catalogue({
  potting: 'Potting',
});
