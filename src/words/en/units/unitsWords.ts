import { catalogue } from '../../catalogue.ts';

/** What core/units/words.ts says. */
export const WORDS = catalogue({
  sqFt: 'sq ft',
});
