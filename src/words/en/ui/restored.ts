import { catalogue } from '../../catalogue.ts';

/** Words of ui: what was typed before and is back. */
export const WORDS = catalogue({
  discardIt: 'Discard it',
  whatYouTypedHereBefore: 'What you typed here before and did not save is back.',
});
