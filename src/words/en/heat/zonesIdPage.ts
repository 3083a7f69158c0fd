import { catalogue } from '../../catalogue.ts';

/** Words of the page heat/zones/[id]. */
export const WORDS = catalogue({
  asBuilt: (name: string | number) => `${name}, as built`,
  aNewZone: 'A new zone',
  aNewHeatedZone: 'A new heated zone',
  toTheHeat: 'To the heat',
  everyPlaceHasAZone: 'Every place has a zone. Add a place under Books first.',
});
