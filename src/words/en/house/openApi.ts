import { catalogue } from '../../catalogue.ts';

/** What contracts/openApi.ts says. */
export const WORDS = catalogue({
  done: 'Done',
  aFieldIsAtFault: 'A field is at fault',
  changedBySomeoneElse: 'Changed by someone else',
  theDatabaseIsAway: 'The database is away',
  crook: 'Crook',
});
