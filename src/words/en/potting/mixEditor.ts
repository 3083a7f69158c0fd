import { catalogue } from '../../catalogue.ts';

/** Words of the potting screens: MixEditor. */
export const WORDS = catalogue({
  name: 'Name',
  note: 'Note',
  saveIt: 'Save it',
  addIt: 'Add it',
  partsMeasuredLoose: 'Parts, measured loose',
  partsOfTheThingIn: (i: number) => `Parts of the thing in row ${i}`,
  thingInRow: (i: number) => `Thing in row ${i}`,
  removeRow: (i: number) => `Remove row ${i}`,
  out: 'Out',
  oneMorePart: 'One more part',
});
