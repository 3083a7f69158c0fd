import { catalogue } from '../../catalogue.ts';

/** Words of the books screens: LineForm. */
export const WORDS = catalogue({
  saved: 'Saved.',
  discardIt: 'Discard it',
  whatYouTypedHereBefore: 'What you typed here before and did not save is back.',
});
