import { catalogue } from '../../catalogue.ts';

/** Words of ui: OffHeatChoice. */
export const WORDS = catalogue({
  whenHalfAreUp: 'when half are up',
  whenAShareOfThose: 'when a share of those expected is up',
  whenAllAreUp: 'when all are up',
  someDaysAfterHalfUp: 'some days after half up',
  asTheHouse: 'as the house',
  percentUp: (label: string) => `${label}: percent up`,
  daysAfterHalfUp: (label: string) => `${label}: days after half up`,
  days: 'days',
});
