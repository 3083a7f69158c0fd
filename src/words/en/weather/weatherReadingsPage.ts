import { catalogue } from '../../catalogue.ts';

/** Words of the page weather/readings. */
export const WORDS = catalogue({
  readings: 'Readings',
});
