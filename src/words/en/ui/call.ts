import { catalogue } from '../../catalogue.ts';

/** Words of ui: call. */
export const WORDS = catalogue({
  noAnswer: 'No answer',
  tryAgain: 'Try again.',
  noConnection: 'No connection. What you typed is still here; try again.',
});
