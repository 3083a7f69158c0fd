import { catalogue } from '../../catalogue.ts';

/** Words of the batch screens: BatchSeason. */
export const WORDS = catalogue({
  season: 'Season',
  seasonItBelongsTo: 'Season it belongs to',
  putItThere: 'Put it there',
});
