import { catalogue } from '../../catalogue.ts';

/** What core/explanation.ts says. */
export const WORDS = catalogue({
  yourOwnLog: 'your own log',
});
