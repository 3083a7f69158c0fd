import { catalogue } from '../../catalogue.ts';

/** What contracts/fields.ts says. */
export const WORDS = catalogue({
  typeAWholeNumberFrom: (name: string, lo: number, hi: number) => `${name}: type a whole number from ${lo} to ${hi}`,
  atLeast: (name: string, lo: number) => `${name}: at least ${lo}`,
  atMost: (name: string, hi: number) => `${name}: at most ${hi}`,
  typeAFigureFromTo: (name: string, lo: number, hi: number) => `${name}: type a figure from ${lo} to ${hi}`,
  inDegreesC: (name: string) => `${name} in degrees C`,
  aDateSuchAs2027: (name: string) => `${name}: a date such as 2027-05-20`,
  aMonthAndDaySuch: (name: string) => `${name}: a month and day such as 05-12`,
  someWords: (name: string) => `${name}: some words`,
  oneLineWithoutControlCharacters: (name: string) => `${name}: one line, without control characters`,
  mustNotBeEmpty: (name: string) => `${name}: must not be empty`,
  atMostLetters: (name: string, most: number) => `${name}: at most ${most} letters`,
  withoutControlCharacters: (name: string) => `${name}: without control characters`,
  noFractionsAWholeNumber: (name: string, lo: number, hi: number) =>
    `${name}: no fractions; a whole number from ${lo} to ${hi}`,
  notADateOfThe: 'not a date of the calendar; write it as 2027-05-20',
});
