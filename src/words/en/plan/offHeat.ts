import { catalogue } from '../../catalogue.ts';

/** What core/plan/schedule/offHeat.ts says. */
export const WORDS = catalogue({
  andIntoTheLightThe: 'and into the light the day half are up. Left hot, seedlings stretch.',
  when90OfThoseThat: 'when 90% of those that will come are up.',
  whenOfThoseThatWill: (round: number) => `when ${round}% of those that will come are up.`,
  afterHalfUp: (days: number, days2: string) => `${days} ${days2} after half up.`,
  day: 'day',
  days: 'days',
});
