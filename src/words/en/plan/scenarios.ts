import { catalogue } from '../../catalogue.ts';

/** What server/plan/scenarios.ts says. */
export const WORDS = catalogue({
  thereIsAWhatIf: 'There is a what-if of this name already.',
  changedBySomeoneElse: 'Changed by someone else',
  someoneChangedOrTookOut: 'Someone changed or took out this what-if since you opened it.',
  thereAreWhatIfsAlready: (most: number) => `There are ${most} what-ifs already; take one out first.`,
});
