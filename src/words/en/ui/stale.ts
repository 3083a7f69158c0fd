import { catalogue } from '../../catalogue.ts';

/** Words of ui: Stale. */
export const WORDS = catalogue({
  someoneChangedThisSinceYou: 'Someone changed this since you opened it. Nothing is lost: choose.',
  what: 'What',
  theirsSaved: 'Theirs, saved',
  yours: 'Yours',
  saveMineOverIt: 'Save mine over it',
  takeTheirs: 'Take theirs',
});
