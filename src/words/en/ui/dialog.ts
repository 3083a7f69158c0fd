import { catalogue } from '../../catalogue.ts';

/** Words of ui: Dialog. */
export const WORDS = catalogue({
  close: 'Close',
});
