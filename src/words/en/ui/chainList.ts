import { catalogue } from '../../catalogue.ts';

/** Words of ui: ChainList. */
export const WORDS = catalogue({
  done: 'done',
});
