import { catalogue } from '../../catalogue.ts';

/** Words of the frame HardenFrame. */
export const WORDS = catalogue({
  hardening: 'Hardening',
});
