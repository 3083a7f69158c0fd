import { catalogue } from '../../catalogue.ts';

/** What core/planting/gates.ts says. */
export const WORDS = catalogue({
  calendar: 'Calendar',
  soil: 'Soil',
  nights: 'Nights',
  forecast: 'Forecast',
  storm: 'Storm',
  heat: 'Heat',
  hardened: 'Hardened',
  covers: 'Covers',
});
