import { catalogue } from '../../catalogue.ts';

/** What db/batch/batches.ts says. */
export const WORDS = catalogue({
  changedBySomeoneElse: 'Changed by someone else',
  wasJustPutIntoAnother: (code: string) => `${code} was just put into another season.`,
  voided: 'Voided',
  wasVoidedAsMadeBy: (code: string) => `${code} was voided as made by mistake. Bring it back to go on with it.`,
});
