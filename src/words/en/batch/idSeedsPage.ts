import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page batch/[id]/seeds. */
export const WORDS = catalogue({
  howManyOf: (name: string | number) => `How many of ${name}`,
  howManyToSow: (name: Part) => rich`How many ${name} to sow`,
  goodPlantsWanted: (plantsWanted: Part, lot: Part) => rich`${plantsWanted} good plants wanted${lot}`,
  lot: (code: string | number) => `, lot ${code}`,
  theBatch: 'The batch',
});
