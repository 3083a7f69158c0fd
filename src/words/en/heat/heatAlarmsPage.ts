import { catalogue } from '../../catalogue.ts';

/** Words of the page heat/alarms. */
export const WORDS = catalogue({
  zone: (id: string | number) => `Zone ${id}`,
  alarms: 'Alarms',
  toTheHeat: 'To the heat',
});
