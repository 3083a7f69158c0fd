import { catalogue } from '../../catalogue.ts';

/** Words of ui: a part that is loaded later. */
export const WORDS = catalogue({
  missing: 'This part could not be loaded: no connection. Reload the page when it is back.',
});
