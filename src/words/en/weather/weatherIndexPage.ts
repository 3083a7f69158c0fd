import { catalogue } from '../../catalogue.ts';

/** Words of the page weather/index. */
export const WORDS = catalogue({
  weatherToCome: 'Weather to come',
});
