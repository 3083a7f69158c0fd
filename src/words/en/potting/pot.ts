import { catalogue } from '../../catalogue.ts';

/** What core/potting/pot.ts says. */
export const WORDS = catalogue({
  depthMm: 'depth, mm',
  widthAtTheTopMm: 'width at the top, mm',
  widthAtTheBaseMm: 'width at the base, mm',
  heightMm: 'height, mm',
  depthOfTheBaseMm: 'depth of the base, mm',
  hasNoMeasuresWriteIts: (container: string) =>
    `${container} has no measures: write its width and height in the book of containers, or fill it with one mix`,
  aBaseCmDeepDoes: (depth_mm: number, container: string, height_mm: number) =>
    `a base ${depth_mm} cm deep does not go into ${container}, which is ${height_mm} cm deep`,
});
