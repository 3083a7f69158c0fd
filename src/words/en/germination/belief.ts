import { catalogue } from '../../catalogue.ts';

/** What core/germination/belief.ts says. */
export const WORDS = catalogue({
  spreadOfLogTime: 'spread of log time',
  spreadOfLogSigma: 'spread of log sigma',
  shareUp: 'share up',
  seedsTheShareIsWorth: 'seeds the share is worth',
});
