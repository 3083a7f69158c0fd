import { catalogue } from '../../catalogue.ts';

/** Words of the weather screens: FrostYears. */
export const WORDS = catalogue({
  jan: 'Jan',
  feb: 'Feb',
  mar: 'Mar',
  apr: 'Apr',
  may: 'May',
  jun: 'Jun',
  jul: 'Jul',
  aug: 'Aug',
  sep: 'Sep',
  oct: 'Oct',
  nov: 'Nov',
  dec: 'Dec',
  yearByYear: 'Year by year',
  frostYearByYearDrawn: 'Frost year by year, drawn',
  greyWithoutFrostPaleToo:
    'Grey: without frost. Pale: too much is missing to go by. Plum: last (whole line) and first (broken line) at the risk chosen.',
  theSameAsATable: 'The same as a table',
  frostYearByYear: 'Frost year by year',
  season: 'Season',
  lastFrost: 'Last frost',
  firstFrost: 'First frost',
  daysMissing: 'Days missing',
  goneBy: 'Gone by',
  none: 'none',
  spring: 'spring',
  autumn: 'autumn',
  no: 'no',
  seasonsWithoutFrostOfYears: (yearsCount: number) =>
    `Seasons without frost of ${yearsCount} years; the same as a table below`,
});
