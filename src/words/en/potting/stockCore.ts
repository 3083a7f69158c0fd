import { catalogue } from '../../catalogue.ts';

/** What core/potting/stock.ts says. */
export const WORDS = catalogue({
  mixAndItsParts: 'mix and its parts',
  pots: 'pots',
  trays: 'trays',
  labels: 'labels',
  feed: 'feed',
});
