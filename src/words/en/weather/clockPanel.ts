import { catalogue } from '../../catalogue.ts';

/** Words of the weather screens: ClockPanel. */
export const WORDS = catalogue({
  demoDay: 'Demo day',
  nextDay: 'Next day',
  speedWhenItRuns: 'Speed when it runs',
  asItIs: 'as it is',
  hourAMinute: 'an hour a minute',
  hourASecond: 'an hour a second',
  dayASecond: 'a day a second',
});
