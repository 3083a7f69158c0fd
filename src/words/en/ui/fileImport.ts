import { catalogue } from '../../catalogue.ts';

/** Words of ui: FileImport. */
export const WORDS = catalogue({
  whichNumberOfADate: 'Which number of a date is the day?',
  wrongNothingHasBeenRead: (errorsCount: string) => `${errorsCount} wrong; nothing has been read in.`,
  thingIs: 'thing is',
  thingsAre: 'things are',
  andMore: (part: number) => `and ${part} more`,
  line: (match: undefined | string, replaceAll: string) => `Line ${match}, ${replaceAll}:`,
});
