import { catalogue } from '../../catalogue.ts';

/** Words of the page planting/index. */
export const WORDS = catalogue({
  plantOut: 'Plant out',
});
