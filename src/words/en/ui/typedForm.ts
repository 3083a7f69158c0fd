import { catalogue } from '../../catalogue.ts';

/** Words of ui: TypedForm. */
export const WORDS = catalogue({
  saved: 'Saved.',
});
