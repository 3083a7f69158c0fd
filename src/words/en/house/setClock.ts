import { catalogue } from '../../catalogue.ts';

/** What server/house/setClock.ts says. */
export const WORDS = catalogue({
  thisClockIsTheMachines: 'This clock is the machine’s',
  onlyTheDemoNurseryHas: 'Only the demo nursery has a clock that can be set.',
});
