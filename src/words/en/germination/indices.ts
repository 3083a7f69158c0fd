import { catalogue } from '../../catalogue.ts';

/** What core/germination/indices.ts says. */
export const WORDS = catalogue({
  aCountOnDayWould: (day: number) => `a count on day ${day} would be before sowing`,
  upIsNotAWhole: (up: number) => `${up} up is not a whole number of plants`,
  upOfSownCannotBe: (up: number, sown: number) => `${up} up of ${sown} sown cannot be`,
  seedsSown: 'seeds sown',
});
