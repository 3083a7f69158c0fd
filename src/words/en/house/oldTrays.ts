import { catalogue } from '../../catalogue.ts';

/** What formats/oldTrays.ts says. */
export const WORDS = catalogue({
  theHeadingLacksItNeeds: (join: string, join2: string) =>
    `The heading lacks ${join}. It needs ${join2} and temperature_c or temperature_f, and may have variety and lot.`,
  itNeedsOneColumnOf: 'It needs one column of temperatures: temperature_c in degrees C, or temperature_f.',
  theFileHasAHeading: 'The file has a heading but no lines.',
  itsDatesCanBeRead: 'Its dates can be read two ways, 03/04 as 3 April or as March 4. Say which comes first.',
  aWholeNumberFromOn: (column: string, least: number) => `${column}: a whole number from ${least} on`,
  trayItsNameOrNumber: 'tray: its name or number, at most 80 letters',
  cropNameACropOf: 'crop: name a crop of the books',
  temperatureTheMeanOfThe: 'temperature: the mean of the medium, from -5 to 50 degrees C',
  countedOnFromTheSowing: (mOST_days: number) => `counted_on: from the sowing day to ${mOST_days} days after it`,
  upOfSeedsCannotBe: (up: number, seeds: number) => `up: ${up} of ${seeds} seeds cannot be`,
  trayItsSeedsLotAnd: (line: number) => `tray: its seeds, lot and temperature are otherwise on line ${line}`,
  countedOnThisDayIs: 'counted_on: this day is there twice',
  moreThanLinesCutThe: (mostOldLines: number) =>
    `More than ${mostOldLines} lines. Cut the file into parts; nothing was read.`,
  isNoDateWriteIt: (column: string) => `"${column}" is no date; write it as 2024-03-18`,
  theCountsOfTrayFall: (tray: string) => `the counts of tray ${tray} fall; they count all that came up so far`,
});
