import { catalogue } from '../../catalogue.ts';

/** What core/plan/placement/seasonStages.ts says. */
export const WORDS = catalogue({
  toGerminate: 'to germinate',
  toGrowOn: 'to grow on',
  inThePot: 'in the pot',
  spacedOut: 'spaced out',
  toHardenOff: 'to harden off',
});
