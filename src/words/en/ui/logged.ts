import { catalogue } from '../../catalogue.ts';

/** Words of ui: what was logged, and taken back. */
export const WORDS = catalogue({
  logged: (what: string) => `Logged: ${what}.`,
  kept: (what: string) => `Kept: ${what}. No connection: it waits on this device until there is one.`,
  undone: (what: string) => `Taken back: ${what}.`,
});
