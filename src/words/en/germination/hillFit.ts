import { catalogue } from '../../catalogue.ts';

/** What core/germination/hillFit.ts says. */
export const WORDS = catalogue({
  allCameUpBetweenTwo: 'all came up between two counts',
  countsOfThemHigherThan: (countsCount: number, risingCount: number) =>
    `${countsCount} counts, ${risingCount} of them higher than before`,
  aCurveNeedsCountsWith: (words: string, part: number) => `${words}: a curve needs ${part} counts with three rises`,
  noCurveOfThisShape: 'no curve of this shape runs near the counts',
});
