import { catalogue } from '../../catalogue.ts';

/** Words of the page house/begin. */
export const WORDS = catalogue({
  begin: 'Begin',
});
