import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page 500. */
export const WORDS = catalogue({
  crookSomethingBroke: 'Crook: something broke',
  somethingBroke: 'Something broke',
  itIsInTheLog: (link: Part) => rich`It is in the log, and nothing was written. ${link}`,
  backToTheRound: 'Back to the round',
});
