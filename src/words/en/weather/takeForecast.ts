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
});
