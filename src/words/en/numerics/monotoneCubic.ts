import { catalogue } from '../../catalogue.ts';

/** What core/numerics/monotoneCubic.ts says. */
export const WORDS = catalogue({
  numberOfPoints: 'number of points',
});
