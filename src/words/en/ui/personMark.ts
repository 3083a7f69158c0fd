import { catalogue } from '../../catalogue.ts';

/** Words of ui: PersonMark. */
export const WORDS = catalogue({
  by: (name: string) => `by ${name}`,
});
