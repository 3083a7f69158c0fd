import { catalogue } from '../../catalogue.ts';

/** Words of the heat screens: ReadingsExchange. */
export const WORDS = catalogue({
  fromALogger: 'From a logger',
  zone: 'Zone',
  fileCsvWithALine: 'File, CSV with a line of names',
  timeIsIn: 'Time is in',
  clockOfTheLogger: 'Clock of the logger',
  column: 'Column',
  first: 'First',
  is: 'Is',
  in: 'In',
  is2: (f: string) => `${f} is`,
  leftOut: 'left out',
  isIn: (f: string) => `${f} is in`,
  tryIt: 'Try it',
  takeTheReadings: 'Take the readings',
  inWouldBeTaken: (readings: string, lines: string) => `${readings} in ${lines} would be taken`,
  takenWereThereAlready: (written: string, already: number) => `${written} taken, ${already} were there already`,
  fromTo: (from_ms: string, to_ms: string) => `, from ${from_ms} to ${to_ms}`,
  leftOut2: (leftCount: number) => `${leftCount} left out:`,
  line: (line: number, why: string) => `line ${line}: ${why}`,
  out: 'Out',
  eachReadingAsItWas:
    'Each reading as it was taken, corrected by its sensor’s offset, times in UTC, temperatures in °C.',
  theLastDays: 'The last days',
  csv: 'CSV',
  json: 'JSON',
  reading: 'reading',
  line2: 'line',
});
