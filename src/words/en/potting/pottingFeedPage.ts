import { catalogue } from '../../catalogue.ts';

/** Words of the page potting/feed. */
export const WORDS = catalogue({
  feed: 'Feed',
});
