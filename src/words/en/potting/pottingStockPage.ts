import { catalogue } from '../../catalogue.ts';

/** Words of the page potting/stock. */
export const WORDS = catalogue({
  stock: 'Stock',
});
