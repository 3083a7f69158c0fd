import { catalogue } from '../../catalogue.ts';

/** What core/heat/fit.ts says. */
export const WORDS = catalogue({
  theMediumWasNever3: 'the medium was never 3 K above what is round it, so the loss does not show',
  notLearned: (why: string) => `Not learned: ${why}.`,
  isTheCoverOnAnd: 'Is the cover on and whole, and the foam dry?',
  itLosesHeatAsBuilt: 'It loses heat as built.',
  itLosesMoreThanBuilt: (percent: number, asked: string) => `It loses ${percent}% more than built. ${asked}`,
  itLosesLessThanBuilt: (percent: number) => `It loses ${percent}% less than built.`,
  onlyHoursOfNightWith: (hours: string, FEWEST_h: number) =>
    `only ${hours} hours of night with readings; ${FEWEST_h} are wanted`,
  noLossAndCapacityBring: (before_K: string) =>
    `no loss and capacity bring the model nearer than ${before_K} K; was it opened, watered or moved?`,
});
