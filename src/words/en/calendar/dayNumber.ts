import { catalogue } from '../../catalogue.ts';

/** What core/calendar/dayNumber.ts says. */
export const WORDS = catalogue({
  dayNumber: 'day number',
});
