import { catalogue } from '../../catalogue.ts';

/** Words of the page heat/settings. */
export const WORDS = catalogue({
  tariffAndQuietHours: 'Tariff and quiet hours',
  toTheHeat: 'To the heat',
});
