import { catalogue } from '../../catalogue.ts';

/** Words of the page hardening/index. */
export const WORDS = catalogue({
  harden: 'Harden',
});
