import { catalogue } from '../../catalogue.ts';

/** What server/planting/change.ts says. */
export const WORDS = catalogue({
  changedBySomeoneElse: 'Changed by someone else',
  someoneChangedTheSettingsSince: 'Someone changed the settings since you opened them.',
});
