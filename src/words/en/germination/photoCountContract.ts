import { catalogue } from '../../catalogue.ts';

/** What contracts/germination/photoCount.ts says. */
export const WORDS = catalogue({
  day: 'day',
  tray: 'tray',
  cells: 'cells',
  up: 'up',
  doubled: 'doubled',
  empty: 'empty',
  missed: 'missed',
  falseUp: 'wrongly taken',
  merged: 'wrongly doubled',
  split: 'doubled and not seen',
  moreThanCells: 'more than the tray has cells; send what was counted',
});
