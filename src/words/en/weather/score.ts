import { catalogue } from '../../catalogue.ts';

/** What core/weather/score.ts says. */
export const WORDS = catalogue({
  forecastLowDegreesC: 'forecast low, degrees C',
});
