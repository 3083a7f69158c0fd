import { catalogue } from '../../catalogue.ts';

/** Words of the page heat/readings. */
export const WORDS = catalogue({
  zone: (id: string | number) => `Zone ${id}`,
  readingsInAndOut: 'Readings in and out',
  toTheHeat: 'To the heat',
});
