import { catalogue } from '../../catalogue.ts';

/** Words of the batch screens: DayAsked. */
export const WORDS = catalogue({
  day: 'Day',
});
