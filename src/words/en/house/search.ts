import { catalogue } from '../../catalogue.ts';

/** What contracts/house/search.ts says. */
export const WORDS = catalogue({
  batchesCropsPlacesAndSeed: 'Batches, crops, places and seed lots by their names, for the search of every page',
});
