import { catalogue } from '../../catalogue.ts';

/** Words of the books screens: LightPrices. */
export const WORDS = catalogue({
  lampsOfMolHoursA: (lamps_umol_m2_s: number, lamps_h: number) =>
    `Lamps of ${lamps_umol_m2_s} µmol, ${lamps_h} hours a day`,
  twoHoursMoreOfLamps: 'Two hours more of lamps',
  twoHoursLessOfLamps: 'Two hours less of lamps',
  aSecondFilm: 'A second film',
  withoutTheSecondFilm: 'Without the second film',
  withoutTheShade: 'Without the shade',
  otherLightHere: 'Other light here',
  otherLightHereAndIts: 'Other light here, and its price',
  forThatOnHereThis: (batches: string, batches2: string) =>
    `For ${batches} that ${batches2} on here this season, sown on the same day.`,
  grows: 'grows',
  grow: 'grow',
  choice: 'Choice',
  theMiddleBatchIsReady: 'The middle batch is ready',
  movedMost: 'Moved most',
  power: 'Power',
  money: 'Money',
  in: (name: string, days: string, month: string) => `${name}, ${days} in ${month}`,
  lampsAsLedOverAll:
    'Lamps as LED over all the room of the place; tubes take twice as much. A film counts for the heat of a heated house. More light for the warmth also keeps plants short.',
  theSameDay: 'the same day',
  less: (words: string) => `${words} less`,
  kwh: (round: number, all: string) => `${round} kWh${all}`,
  batch: 'batch',
  batches: 'batches',
  none: 'none',
  day: 'day',
  less2: ' less',
  never: 'never',
  byDays: (days: string, sooner: boolean) => `${days} ${sooner ? 'sooner' : 'later'}`,
  nothing: 'nothing',
});
