import { catalogue } from '../../catalogue.ts';

/** Words of the page 404. */
export const WORDS = catalogue({
  notHere: 'Not here',
  thereIsNothingAtThis: 'There is nothing at this address',
  todaysRound: "Today's round",
  season: 'Season',
  books: 'Books',
});
