import { catalogue } from '../../catalogue.ts';

/** What core/weather/roughClimate.ts says. */
export const WORDS = catalogue({
  latitudeDegrees: 'latitude, degrees',
  longitudeDegrees: 'longitude, degrees',
});
