import { catalogue } from '../../catalogue.ts';

/** What core/batch/shortCode.ts says. */
export const WORDS = catalogue({
  runningNumber: 'running number',
});
