import { catalogue } from '../../catalogue.ts';

/** Words of the page hardening/house. */
export const WORDS = catalogue({
  howWeHardenAndPlant: 'How we harden and plant',
  growersDifferEachSchoolIs:
    'Growers differ: each school is a setting. A gate is required, advisory or off; a batch can have its own under Plant out. The figures to begin with are common practice, no source.',
});
