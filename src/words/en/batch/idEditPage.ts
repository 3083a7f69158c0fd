import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page batch/[id]/edit. */
export const WORDS = catalogue({
  change: (name: string | number) => `Change ${name}`,
  changeThePlanOf: (name: Part) => rich`Change the plan of ${name}`,
});
