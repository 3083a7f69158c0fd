import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page batch/take-along. */
export const WORDS = catalogue({
  importAndExport: 'Import and export',
  theWorkInACalendar: 'The work, in a calendar',
  allWorkStillToCome:
    'All work still to come, a whole-day entry each. Subscribe and it follows the season; the address is like a key, keep it to yourselves.',
  workAsAnIcalendarFile: 'Work as an iCalendar file',
  theBooksInASpreadsheet: 'The books, in a spreadsheet',
  commaSeparatedUtf8The: 'Comma-separated, UTF-8. The batches file can be read in again.',
  batchesAsCsv: 'Batches as CSV',
  theLogAsCsv: 'The log as CSV',
  photosAsZip: 'Photos as a ZIP file',
  readBatchesIn: 'Read batches in',
  csvWithAHeadingAs: (part: Part) =>
    rich`CSV with a heading: ${part} (as 2027-05-24), and if you like variety, lot, spare_percent, hardening_days, germinate, grow, pot, harden, sow_tray, pot_container, note. Commas, semicolons or tabs. You see first what it would make.`,
  cropPlantsTransplantOn: 'crop, plants, transplant_on',
});
