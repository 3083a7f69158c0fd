import { catalogue } from '../../catalogue.ts';

/** What core/germination/learning.ts says. */
export const WORDS = catalogue({
  shareThoughtToComeUp: 'share thought to come up',
});
