import { catalogue } from '../../catalogue.ts';

/** What pages/api/house/feed/[key].ics.ts says. */
export const WORDS = catalogue({
  noSuchFeed: 'No such feed',
  takeTheAddressOfThe: 'Take the address of the feed from Books, Import and export.',
});
