import { catalogue } from '../../catalogue.ts';

/** Words of the plan screens: WorkStrip. */
export const WORDS = catalogue({
  hoursOfWorkByWeek: 'Hours of work by week, as a table',
  weekOf: 'Week of',
  hours: 'Hours',
  handsFor: 'Hands for',
  allOfIt: 'all of it',
});
