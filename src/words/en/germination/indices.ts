import { catalogue } from '../../catalogue.ts';

/** What core/germination/indices.ts says. */
export const WORDS = catalogue({
  aCountOnDayWould: (day: number) => `a count on day ${day} would be before sowing`,
  upIsNotAWhole: (up: number) => `${up} up is not a whole number of plants`,
  upOfSownCannotBe: (up: number, sown: number) => `${up} up of ${sown} sown cannot be`,
  seedsSown: 'seeds sown',
  dayDoesNotComeAfter: (day: number, day2: number) =>
    `day ${day} does not come after day ${day2}; give the counts in order, one a day`,
});
