import { catalogue } from '../../catalogue.ts';

/** What pages/api/batch/[id]/count.ts says. */
export const WORDS = catalogue({
  notSown: 'Not sown',
  thisBatchIsNotSown: 'This batch is not sown here yet: there is nothing to count.',
});
