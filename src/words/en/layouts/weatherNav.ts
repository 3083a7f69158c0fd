import { catalogue } from '../../catalogue.ts';

/** Words of the frame WeatherNav. */
export const WORDS = catalogue({
  weather: 'Weather',
  forecast: 'Forecast',
  readings: 'Readings',
  theSitesYears: 'The site’s years',
});
