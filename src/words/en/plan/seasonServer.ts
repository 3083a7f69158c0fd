import { catalogue } from '../../catalogue.ts';

/** What server/plan/season.ts says. */
export const WORDS = catalogue({
  notSetUpYet: 'Not set up yet',
  startTheApplicationWithBin: 'Start the application with bin/start, which sets up a nursery.',
  noSuchBatch: 'No such batch',
  thereIsNoBatchNumber: (id: number) => `There is no batch number ${id}.`,
});
