import { catalogue } from '../../catalogue.ts';

/** Words of the potting screens: words. */
export const WORDS = catalogue({
  toFourTimesOfFive: (low: string, high: string) => `${low} to ${high}, four times of five`,
  trueLeaves: 'True leaves',
  rootsShow: 'Roots show',
  touching: 'Touching',
  notYet: 'Not yet',
  leaves: 'Leaves…',
  ready: 'Ready',
  withinAWeek: 'Within a week',
  later: 'Later',
});
