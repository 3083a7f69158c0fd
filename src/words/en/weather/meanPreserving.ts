import { catalogue } from '../../catalogue.ts';

/** What core/weather/meanPreserving.ts says. */
export const WORDS = catalogue({
  monthlyMean: 'monthly mean',
});
