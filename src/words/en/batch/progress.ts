import { catalogue } from '../../catalogue.ts';

/** What core/batch/progress.ts says. */
export const WORDS = catalogue({
  plantsLadderAndGatesTogether:
    'Plants, ladder and gates together: by this day half of the springs that could come have let them out.',
  thePlantsThemselves: 'the plants themselves',
  inTime: 'in time',
  ofSprings: (round: number) => `${round}% of springs`,
  springsDrawnFromTheSite: 'springs drawn from the site’s own years and the forecast',
});
