import { catalogue } from '../../catalogue.ts';

/** Words of the frame HardenFrame. */
export const WORDS = catalogue({
  hardening: 'Hardening',
  ladders: 'Ladders',
  programmes: 'Programmes',
  covers: 'Covers',
  howWeHardenAndPlant: 'How we harden and plant',
  framesAndHouses: 'Frames and houses',
});
