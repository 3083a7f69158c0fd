import { catalogue } from '../../catalogue.ts';

/** Words of the page plan/what-if. */
export const WORDS = catalogue({
  whatIf: 'What if',
  nothingIsPlannedYetSo: 'Nothing is planned yet, so there is nothing to try things on.',
  tryingThingsOnACopy: 'Trying things on a copy of the season needs script.',
});
