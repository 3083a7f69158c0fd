import { catalogue } from '../catalogue.ts';

/** Words of the ledger. */
export const LEDGER = catalogue({
  title: 'Ledger',
  about: 'Newest first. A correction is a line of its own, and the old one stays.',
  all: 'All lines as CSV',
  newestOf: (shown: number, all: number) =>
    `The newest ${shown.toLocaleString('en-GB')} of ${all.toLocaleString('en-GB')} lines. Choose days to see others.`,
  allOfThem: 'all',
  from: 'From',
  to: 'To',
  columns: ['Line', 'Day', 'Batch', 'Code', 'What', 'Number', 'Place', 'Note', 'By'],
  corrects: (id: number) => `corrects line ${id}`,
  correct: 'Correct',
  correctLine: (id: number) => `Correct line ${id}`,
  corrected: 'Corrected.',
  tappedAt: (at: string) => `tapped ${at}, sent later`,
  clockDoubted: 'sent later; the device’s clock was not right',
  reading: 'Reading the batch…',
});
