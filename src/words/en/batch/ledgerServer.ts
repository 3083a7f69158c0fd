import { catalogue } from '../../catalogue.ts';

/** What server/batch/ledger.ts says. */
export const WORDS = catalogue({
  pleaseLookAgain: 'Please look again',
  theLedgerCannotBeAsked: 'The ledger cannot be asked so.',
});
