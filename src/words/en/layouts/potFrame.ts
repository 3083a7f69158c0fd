import { catalogue } from '../../catalogue.ts';

/** Words of the frame PotFrame. */
export const WORDS = catalogue({
  potting: 'Potting',
  stock: 'Stock',
  ready: 'Ready',
  feed: 'Feed',
  mixes: 'Mixes',
  howWePot: 'How we pot',
});
