import { catalogue } from '../../catalogue.ts';

/** What server/weather/importForecast.ts says. */
export const WORDS = catalogue({
  theFileIsNotJson: 'The file is not JSON. How a forecast is written stands in docs/FORECAST.md.',
});
