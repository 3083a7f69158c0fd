import { catalogue } from '../../catalogue.ts';

/** What pages/api/batch/labels.pdf.ts says. */
export const WORDS = catalogue({
  numbersOfBatchesWithCommas: 'numbers of batches, with commas between',
  upToNumbersOfBatches: 'up to 200 numbers of batches, with commas between',
  thereIsNoSuchLabel: (w: number, h: number, LABEL_MOST_mm: string) =>
    `There is no such label sheet. A roll of your own is written roll-80x40, from ${w} x ${h} to ${LABEL_MOST_mm} mm.`,
});
