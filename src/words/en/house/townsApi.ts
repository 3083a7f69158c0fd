import { catalogue } from '../../catalogue.ts';

/** What pages/api/house/towns.ts says. */
export const WORDS = catalogue({
  latitudeAndLongitudeInDegrees: 'latitude and longitude in degrees, such as 52.4,-2.9',
});
