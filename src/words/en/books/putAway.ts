import { catalogue } from '../../catalogue.ts';

/** Words of the books screens: PutAway. */
export const WORDS = catalogue({
  linkBtnMinH9: 'link-btn min-h-9',
  retiredItIsOfferedNowhere: 'Retired: it is offered nowhere, and stays in what happened.',
  retireNoLongerOfferedKept: 'Retire: no longer offered, kept in what happened',
  bringBackIntoUse: 'Bring back into use',
  delete: 'Delete',
  forGood: 'For good?',
  yesDeleteIt: 'Yes, delete it',
  no: 'No',
});
