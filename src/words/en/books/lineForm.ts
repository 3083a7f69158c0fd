import { catalogue } from '../../catalogue.ts';

/** Words of the books screens: LineForm. */
export const WORDS = catalogue({
  saved: 'Saved.',
});
