import { catalogue } from '../../catalogue.ts';

/** What formats/weatherFile.ts says. */
export const WORDS = catalogue({
  isNoDateSuchAs: (row: string) => `"${row}" is no date such as 2024-05-31`,
  isNoTemperature: (row: undefined | string) => `"${row}" is no temperature`,
  onlyTheFirstLinesAre: (part: number) => `only the first ${part} lines are read`,
  notALineOfA: 'not a line of a .dly file',
  aGustOfMS: (gust_m_s: number) => `a gust of ${gust_m_s} m/s was never measured: which unit is it in?`,
  cWasNeverMeasured: (value: number) => `${value} °C was never measured`,
  theLowestIsAboveThe: (least_C: number, most_C: number) => `the lowest, ${least_C}, is above the highest, ${most_C}`,
  itTellsOfPlacesChoose: (stationsCount: number, join: string) =>
    `It tells of ${stationsCount} places (${join}): choose one.`,
  lowestTemperaturesUpToThese: (high: number) =>
    `Lowest temperatures up to ${high}: these are tenths of a degree or Fahrenheit. Say which.`,
  theMiddleOneOfAll: (median: number) => `The middle one of all lowest temperatures is ${median}: is it Fahrenheit?`,
  asTenthsOfADegree: 'As tenths of a degree these hardly change over the year: are they whole degrees?',
  asFahrenheitNoNightHere: 'As Fahrenheit no night here is above 4 °C: are they Celsius?',
});
