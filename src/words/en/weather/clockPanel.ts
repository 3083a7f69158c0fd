import { catalogue } from '../../catalogue.ts';

/** Words of the weather screens: ClockPanel. */
export const WORDS = catalogue({
  demoDay: 'Demo day',
  nextDay: 'Next day',
  speedWhenItRuns: 'Speed when it runs',
  asItIs: 'as it is',
});
