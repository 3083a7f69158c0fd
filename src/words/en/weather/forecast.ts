import { catalogue } from '../../catalogue.ts';

/** Words of the weather screens: Forecast. */
export const WORDS = catalogue({
  read: (source: string, days: string) => `${source}: ${days} read.`,
  weatherToCome: 'Weather to come',
  tonightsLow: 'tonight’s low',
  oddsOfFrostTonight: 'odds of frost tonight',
  firstNightOfFrostForetold: 'first night of frost foretold',
  firstGaleForetold: 'first gale foretold',
  drawing: 'Drawing…',
  blackTheDaysHighPlum:
    'Black: the day’s high; plum: the low of the night after it, in the shade where eight nights of ten fall.',
  theTenDays: 'The ten days',
  day: 'Day',
  high: 'High',
  night: 'Night',
  nineOfTenAbove: 'Nine of ten above',
  frost: 'Frost',
  gusts: 'Gusts',
  sun: 'Sun',
  mind: 'Mind',
  today: 'Today',
  notToldWhole: 'not told whole',
  aForecast: 'A forecast',
  anotherForecast: 'Another forecast',
  typeWhatYouHeard: 'Type what you heard',
  readOneFromAJson: 'Read one from a JSON file',
  howFarForecastsAreOff: 'How far forecasts are off here',
  lowsForetoldAgainstTheThermometer: (counted: string) =>
    `Lows foretold against the thermometer, ${counted} so far. Bands and odds above go by it; where little is known, by what is usual (common practice, no source).`,
  daysAhead: 'Days ahead',
  nights: 'Nights',
  tooWarmBy: 'Too warm by',
  giveOrTake: 'Give or take',
  theDayItself: 'the day itself',
  day2: 'day',
  night2: 'night',
});
