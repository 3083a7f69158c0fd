import { catalogue } from '../../catalogue.ts';

/** Words of the page germination/sheet. */
export const WORDS = catalogue({
  sowingSheet: 'Sowing sheet',
});
