import { catalogue } from '../../catalogue.ts';

/** The way to the demo on the first page. */
export const WORDS = catalogue({
  onlyLooking: 'Only looking? There is a made-up nursery in the middle of its spring.',
  lookRound: 'Look round the demo',
  beingSetUp: 'The demo is being set up; it opens here in half a minute or so.',
});
