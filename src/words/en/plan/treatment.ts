import { catalogue } from '../../catalogue.ts';

/** What core/plan/schedule/treatment.ts says. */
export const WORDS = catalogue({
  scratchOrNickTheSeed: 'Scratch or nick the seed coat, then soak it overnight',
  soakTheSeedUpTo: 'Soak the seed up to a day before sowing; no longer, it drowns',
  moistInABagIn: 'Moist in a bag in the refrigerator at 2 to 5 degrees C; look for mould and for early roots each week',
});
