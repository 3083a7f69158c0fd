import { catalogue } from '../../catalogue.ts';

/** What server/potting/view.ts says. */
export const WORDS = catalogue({
  itsPotIsNoLonger: 'its pot is no longer in the book of containers',
  theBatchIs: (phase: string) => `the batch is ${phase}`,
  onlyAreLeftAndFrom: (there: number, doubled: number) => `only ${there} are left, and ${doubled} from doubles`,
  itsBaseMixIsGone: 'its base mix is gone',
  nothingIsLoggedAsUp: 'nothing is logged as up yet; count it first',
});
