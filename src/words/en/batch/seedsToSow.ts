import { catalogue } from '../../catalogue.ts';

/** What core/batch/seedsToSow.ts says. */
export const WORDS = catalogue({
  plantsWanted: 'plants wanted',
  fieldFactor: 'field factor',
  seedsToACell: 'seeds to a cell',
  seedsTheShareIsKnown: 'seeds the share is known from',
});
