import { catalogue } from '../../catalogue.ts';

/** What server/watering/waterViews.ts says. */
export const WORDS = catalogue({
  noSuchPlace: 'No such place',
  thereIsNoPlaceNumber: (id: number) => `There is no place number ${id}.`,
  awayDays: 'days away',
});
