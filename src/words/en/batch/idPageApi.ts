import { catalogue } from '../../catalogue.ts';

/** What pages/api/batch/[id]/page.ts says. */
export const WORDS = catalogue({
  noSuchBatch: 'No such batch',
  thereIsNoBatchNumber: (id: number) => `There is no batch number ${id} in an open season.`,
});
