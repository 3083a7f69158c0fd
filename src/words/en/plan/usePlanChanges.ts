import { catalogue } from '../../catalogue.ts';

/** Words of the plan screens: usePlanChanges. */
export const WORDS = catalogue({
  done: (words: string) => `Done: ${words}.`,
  undone: (words: string) => `Undone: ${words}.`,
});
