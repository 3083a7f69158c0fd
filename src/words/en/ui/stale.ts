import { catalogue } from '../../catalogue.ts';

/** Words of ui: Stale. */
export const WORDS = catalogue({
  someoneChangedThisSinceYou: 'Someone changed this since you opened it. Nothing is lost: choose.',
  what: 'What',
  theirsSaved: 'Theirs, saved',
  yours: 'Yours',
  saveMineOverIt: 'Save mine over it',
  takeTheirs: 'Take theirs',
  differsInItsLists: 'They differ in the lists below the fields.',
  theirVersionIsHere: 'Their version is here now; change it and save.',
});
