import { catalogue } from '../../catalogue.ts';

/** What server/house/setClock.ts says. */
export const WORDS = catalogue({
  thisClockIsTheMachines: 'This clock is the machine’s',
  onlyTheDemoNurseryHas: 'Only the demo nursery has a clock that can be set.',
  theDemosSeasonsRunFrom: (from: string, to: string) =>
    `The demo’s seasons run from ${from} to ${to}; choose a day between.`,
});
