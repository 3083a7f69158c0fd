import { catalogue } from '../../catalogue.ts';

/** Words of the weather screens: SkyClock. */
export const WORDS = catalogue({
  demoClock: 'demo clock ',
  pauseTheDemoClock: 'Pause the demo clock',
  runTheDemoClock: 'Run the demo clock',
  set: 'set',
});
