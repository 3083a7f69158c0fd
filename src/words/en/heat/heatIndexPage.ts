import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page heat/index. */
export const WORDS = catalogue({
  heat: (name: string | number) => `Heat, ${name}`,
  heat2: 'Heat',
  cannotBeWorkedOutIts: (name: Part, why: Part) =>
    rich`${name} cannot be worked out: ${why}. Its devices keep the set-point they have.`,
  noZoneIsBuiltYet:
    'No zone is built yet. A zone is a bench or chamber with its heater and its sensor: tell Crook how it is made, and it says whether it will hold, what it costs, and how long there is when the power goes.',
  buildTheFirstZone: 'Build the first zone',
});
