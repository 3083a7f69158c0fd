import { catalogue } from '../../catalogue.ts';

/** Words of ui: charts on their way. */
export const WORDS = catalogue({
  drawing: 'The chart is on its way.',
});
