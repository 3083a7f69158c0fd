import { catalogue } from '../../catalogue.ts';

/** What server/weather/takeForecast.ts says. */
export const WORDS = catalogue({
  atIsThereTwice: (at: string) => `at: ${at} is there twice`,
  gustMSGustsBelow: 'gust_m_s: gusts below the mean wind',
  areTheyInFahrenheitSend: ' Are they in Fahrenheit? Send degrees C.',
  tempCDegreesCOn: (toFixed: string, toFixed2: string, f: string) =>
    `temp_C: ${toFixed} degrees C on the mean where ${toFixed2} is usual.${f}`,
  typedByHand: 'typed by hand',
  aForecastReachesTenDays: 'A forecast reaches ten days, today the first.',
  isStillToComeIs: (made_at: string) => `${made_at} is still to come; is its clock right?`,
  madeDaysAgoAForecast: (made_ms: number, OLDEST_days: number) =>
    `made ${made_ms} days ago; a forecast is of use for ${OLDEST_days} days at the most`,
  allOfThemArePast: 'all of them are past; nothing is told of what is to come',
  moreThanDaysAheadAre: 'more than 20 days ahead; are the instants right?',
  isItAnotherPlaceOr: ' Is it another place, or another unit?',
  isPastLogItAs: (day: string) => `${day} is past; log it as a reading instead.`,
});
