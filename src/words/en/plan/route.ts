import { catalogue } from '../../catalogue.ts';

/** What core/plan/schedule/route.ts says. */
export const WORDS = catalogue({
  noPlaceIsChosenFor: 'no place is chosen for this stage',
});
