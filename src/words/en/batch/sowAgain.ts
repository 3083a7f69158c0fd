import { catalogue } from '../../catalogue.ts';

/** What server/batch/sowAgain.ts says. */
export const WORDS = catalogue({
  noSuchBatch: 'No such batch',
  thereIsNoBatchNumber: (id: number) => `There is no batch number ${id}.`,
  sownAgainFor: (code: string, cause: string) => `Sown again for ${code}: ${cause}`,
  sownAgainFor2: (code: string) => `sown again for ${code}`,
  sownAgainAs: (code: string) => `sown again as ${code}`,
});
