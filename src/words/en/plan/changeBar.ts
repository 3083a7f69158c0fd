import { catalogue } from '../../catalogue.ts';

/** Words of the plan screens: ChangeBar. */
export const WORDS = catalogue({
  undo: (words: string) => `Undo: ${words}`,
  undo2: 'Undo',
});
