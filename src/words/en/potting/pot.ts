import { catalogue } from '../../catalogue.ts';

/** What core/potting/pot.ts says. */
export const WORDS = catalogue({
  depthMm: 'depth, mm',
  widthAtTheTopMm: 'width at the top, mm',
  widthAtTheBaseMm: 'width at the base, mm',
  heightMm: 'height, mm',
  depthOfTheBaseMm: 'depth of the base, mm',
});
