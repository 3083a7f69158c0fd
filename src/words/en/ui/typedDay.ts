import { catalogue } from '../../catalogue.ts';

/** Words of ui: typedDay. */
export const WORDS = catalogue({
  dMmmYyyy: 'd MMM yyyy',
  dMmmmYyyy: 'd MMMM yyyy',
  dMmmYy: 'd MMM yy',
});
