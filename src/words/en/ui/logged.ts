import { catalogue } from '../../catalogue.ts';

/** Words of ui: what was logged, and taken back. */
export const WORDS = catalogue({
  kept: (words: string) => `${words} No connection: kept on this device until there is one.`,
  undone: (words: string) => `Undone: ${words}`,
});
