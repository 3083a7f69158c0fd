import { catalogue } from '../../catalogue.ts';

/** Words of the page weather/years. */
export const WORDS = catalogue({
  weather: 'Weather',
});
