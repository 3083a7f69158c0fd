import { catalogue } from '../../catalogue.ts';

/** Words of the page potting/sessions/[id]. */
export const WORDS = catalogue({
  pottingSession: 'Potting session',
});
