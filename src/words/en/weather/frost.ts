import { catalogue } from '../../catalogue.ts';

/** What core/weather/frost.ts says. */
export const WORDS = catalogue({
  thresholdDegreesC: 'threshold, degrees C',
});
