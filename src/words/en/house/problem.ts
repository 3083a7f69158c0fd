import { catalogue } from '../../catalogue.ts';

/** What contracts/problem.ts says. */
export const WORDS = catalogue({
  pleaseLookAgain: 'Please look again',
});
