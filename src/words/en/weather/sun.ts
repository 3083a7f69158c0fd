import { catalogue } from '../../catalogue.ts';

/** What core/weather/sun.ts says. */
export const WORDS = catalogue({
  dayOfTheYear: 'day of the year',
  latitudeDegrees: 'latitude, degrees',
  shareOfSunshine: 'share of sunshine',
  temperatureDegreesC: 'temperature, degrees C',
});
