import { catalogue } from '../../catalogue.ts';

/** What core/germination/verdict.ts says. */
export const WORDS = catalogue({
  countAgain: 'count again',
});
