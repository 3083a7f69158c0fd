import { catalogue } from '../../catalogue.ts';

/** Words of the page batch/failures. */
export const WORDS = catalogue({
  byCause: 'By cause',
  byLot: 'By lot',
  failures: 'Failures',
  whatFailedAndWhy: 'What failed, and why',
  allOpen: 'all open',
  nothingIsLoggedAsLost: 'Nothing is logged as lost or sown again.',
  plants: 'Plants',
  batches: 'Batches',
  givenUpOrSownAgain: 'Given up or sown again',
  lineByLine: 'Line by line',
  givenUpOrSownAgain2: ', given up or sown again',
  plant: 'plant',
});
