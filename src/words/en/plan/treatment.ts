import { catalogue } from '../../catalogue.ts';

/** What core/plan/schedule/treatment.ts says. */
export const WORDS = catalogue({
  scratchOrNickTheSeed: 'Scratch or nick the seed coat, then soak it overnight',
  soakTheSeedUpTo: 'Soak the seed up to a day before sowing; no longer, it drowns',
});
