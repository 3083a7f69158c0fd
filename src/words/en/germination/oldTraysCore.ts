import { catalogue } from '../../catalogue.ts';

/** What core/germination/oldTrays.ts says. */
export const WORDS = catalogue({
  aTrayTeachesFromTwo: 'a tray teaches from two counts after its sowing on',
  fewerThanThreeCameUp: 'fewer than three came up: too few to learn from',
  byTheBookNeverComes: (crop: string) => `by the book ${crop} never comes up at that temperature; is it in degrees C?`,
});
