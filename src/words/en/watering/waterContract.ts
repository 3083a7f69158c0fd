import { catalogue } from '../../catalogue.ts';

/** What contracts/watering/water.ts says. */
export const WORDS = catalogue({
  oneOf: (name: string, of: string) => `${name}: one of ${of}`,
  keyLength: 'key: 8 to 64 characters',
  line: 'line',
  batch: 'batch',
  place: 'place',
  tooMany: (most: number) => `batches: at most ${most} at once; send the rest in a second call`,
  minuteOfToday: 'time of today',
  look: 'how it is',
  weight: 'weight of a tray, g',
  way: 'how it was watered',
  litres: 'litres',
  water_C: 'temperature of the water, degrees C',
  air_C: 'temperature of the air, degrees C',
  humidity: 'relative humidity, 0 to 1',
  note: 'note',
  whichLineIsTakenBack: 'line: say which line is taken back, and only then',
  howIsIt: 'how it is: dry, moist or wet',
  howIsTheLid: 'lid: drops run (wet), mist (moist) or clear (dry)',
  whatDoesItWeigh: 'weight: what does the tray weigh, in grams?',
  weighOne: 'batches: a weight is of a tray of one batch',
  whichPlace: 'place: say where it was read',
  airOrWater: 'air: give both its temperature and its humidity, or the temperature of the water',
  fedAreWatered: 'fed: only what is watered with this line can be fed with it',
  whichBatches: 'batches: say which ones',
});
