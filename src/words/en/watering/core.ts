import { catalogue } from '../../catalogue.ts';

/** What core/watering says of figures that cannot be. */
export const WORDS = catalogue({
  height: 'height above the sea, m',
  vapour: 'vapour pressure, kPa',
  humidity: 'relative humidity, share',
  wind: 'wind, m/s',
  radiation: 'radiation',
  mm: 'water, mm',
  capacity: 'water a tray holds, mm',
  cover: 'share of ground the leaves cover',
  share: 'share of the water it holds',
  litres: 'litres of mix',
  area: 'ground a tray takes, m2',
});
