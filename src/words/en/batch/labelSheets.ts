import { catalogue } from '../../catalogue.ts';

/** What core/batch/labelSheets.ts says. */
export const WORDS = catalogue({
  rollXMm: (width: number, height: number) => `roll, ${width} x ${height} mm`,
  a4: (count: number, width: number, height: number) => `A4, ${count} of ${width} x ${height} mm`,
  usLetter30Of66: 'US Letter, 30 of 66.7 x 25.4 mm',
  usLetter20Of101: 'US Letter, 20 of 101.6 x 25.4 mm',
});
