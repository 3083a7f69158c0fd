import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the frame RetiredLines. */
export const WORDS = catalogue({
  retired: (linesCount: Part) => rich`${linesCount} retired`,
  since: (shortDay: Part) => rich`since ${shortDay}`,
});
