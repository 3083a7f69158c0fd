import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page t/[code]. */
export const WORDS = catalogue({
  noSuchCode: 'No such code',
  noTrayWithTheCode: (slice: Part) => rich`No tray with the code “${slice}”`,
  theCodeIsWellFormed: 'The code is well formed, but no batch has it. It may be a label of another season or nursery.',
  aCodeHasThreeOr:
    'A code has three or four letters and figures, without I, O, 0 and 1, and may end in a dash and the tray: K7M-3.',
  codeOnTheLabel: 'Code on the label',
  lookAgain: 'Look again',
});
