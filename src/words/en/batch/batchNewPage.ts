import { catalogue } from '../../catalogue.ts';

/** Words of the page batch/new. */
export const WORDS = catalogue({
  inALine: 'Say it in a line instead',
  newBatch: 'New batch',
  everyDetailOfOneBatch: 'Every detail of one batch',
});
