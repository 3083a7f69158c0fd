import { catalogue } from '../../catalogue.ts';

/** What contracts/weather/weatherCalls.ts says. */
export const WORDS = catalogue({
  weatherHistoryAndFrostThreshold: 'Weather history and frost: ?threshold=0&risk=0.1',
  takeTheFrostDatesAt: 'Take the frost dates at a threshold and a risk',
  takeOutTheDaysOf: 'Take out the days of one source',
  theForecastInUseIts: 'The forecast in use, its age and its score',
  aForecastTypedDayBy: 'A forecast typed day by day',
  aForecastFromAJson: 'A forecast from a JSON file, as docs/FORECAST.md says',
  readingsByHandAndWhat: 'Readings by hand and what they teach',
  aReadingOfMaxMin: 'A reading of max-min or soil thermometer, a correction or withdrawal',
  laddersAndOrdersByThe: 'Ladders and orders by the forecast',
  firstDaysOutOfA: 'First days out of a crop at the risk taken: ?crop=1&near=2027-05-20',
  gatesOfPlantingOutWith: 'Gates of planting out with odds',
  whatOddsAreDrawnFrom: 'What odds are drawn from, for a page to try them',
  changeHowTheHouseHardens: 'Change how the house hardens and plants out',
});
