import { catalogue } from '../../catalogue.ts';

/** Words of the weather screens: ImportWeather. */
export const WORDS = catalogue({
  atMost8MbTake: 'At most 8 MB: take out columns or years you do not need.',
  importDailyWeather: 'Import daily weather',
  anyCsvWithADate:
    'Any CSV with a date and the lowest temperature of each day, or a GHCN-Daily station file (.csv or .dly). Days that are there already are replaced.',
  file: 'File',
  temperaturesAreIn: 'Temperatures are in',
  tenthsOfAC: 'tenths of a °C',
  windIsIn: 'Wind is in',
  andIs: 'and is',
  theStrongestGustOfThe: 'the strongest gust of the day',
  theMeanOfTheDay: 'the mean of the day (gusts taken as 2.2 times it)',
  whichPlace: 'Which place',
  choose: 'choose',
  lookWhatIsInIt: 'Look what is in it',
  keepIt: 'Keep it',
  keptReplaced: (fresh: string, replaced: number) => `Kept: ${fresh}, ${replaced} replaced.`,
  newDay: 'new day',
  fromTo: (from: string, from2: number, to: string, to2: number) => ` from ${from} ${from2} to ${to} ${to2}`,
  coldest: (least_C: string) => `, coldest ${least_C}`,
  hottest: (most_C: string) => `, hottest ${most_C}`,
  toldTwiceWithUnlikeFigures: (unlikeCount: string, join: string) =>
    `${unlikeCount} told twice with unlike figures, left out: ${join}.`,
  couldNotBeRead: (problemCount: string) => `${problemCount} could not be read`,
  line: (line: number, message: string) => `line ${line}: ${message}`,
  wind: 'Wind',
  none: 'none',
  day: 'day',
  line2: 'line',
  dateColumn: 'Date',
  lowestColumn: 'Lowest of the day',
  highestColumn: 'Highest of the day',
  rainColumn: 'Rain',
  stationColumn: 'Place, if there are several',
});
