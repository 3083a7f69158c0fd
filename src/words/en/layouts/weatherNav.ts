import { catalogue } from '../../catalogue.ts';

/** Words of the frame WeatherNav. */
export const WORDS = catalogue({
  weather: 'Weather',
});
