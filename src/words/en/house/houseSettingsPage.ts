import { catalogue } from '../../catalogue.ts';

/** Words of the page house/settings. */
export const WORDS = catalogue({
  settings: 'Settings',
});
