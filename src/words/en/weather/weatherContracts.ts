import { catalogue } from '../../catalogue.ts';

/** What contracts/weather/weather.ts says. */
export const WORDS = catalogue({
  columnAtMost120Letters: 'column: at most 120 letters',
  nameOfTheFileOr: 'name of the file or station',
  fileItIsEmpty: 'file: it is empty',
  fileAtMost8Mb: 'file: at most 8 MB',
  windStrongestGustOrMean: 'wind: strongest gust or mean of the day',
  windMSKmH: 'wind: m/s, km/h, mph, knots or Beaufort',
  unitCFOrTenths: 'unit: C, F or tenths of a degree C',
  thresholdInDegreesC: 'threshold in degrees C',
});
