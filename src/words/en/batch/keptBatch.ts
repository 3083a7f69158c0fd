import { catalogue } from '../../catalogue.ts';

/** What core/batch/keptBatch.ts says. */
export const WORDS = catalogue({
  notSaid: 'not said',
});
