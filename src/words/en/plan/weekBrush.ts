import { catalogue } from '../../catalogue.ts';

/** Words of the plan screens: WeekBrush. */
export const WORDS = catalogue({
  kept: 'kept',
});
