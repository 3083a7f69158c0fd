import { catalogue } from '../../catalogue.ts';

/** Words of the page batch/new. */
export const WORDS = catalogue({
  newBatch: 'New batch',
  everyDetailOfOneBatch: 'Every detail of one batch',
});
