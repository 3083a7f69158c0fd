import { catalogue } from '../../catalogue.ts';

/** Words of the germination screens: LeaveOut. */
export const WORDS = catalogue({
  driedOut: 'dried out',
  tooColdByAccident: 'too cold, by accident',
  tooHotByAccident: 'too hot, by accident',
  mixedUp: 'mixed up',
  notUsedForEstimates: 'Not used for estimates',
  teachesTheHouseNothing: (tray: string, reason: string) => `${tray} teaches the house nothing: ${reason}.`,
  thisBatch: 'This batch',
  tray: (tray: number) => `Tray ${tray}`,
  countItAgain: 'Count it again',
  which: 'Which',
  theWholeBatch: 'the whole batch',
  tray2: (n: number) => `tray ${n}`,
  somethingWentWrongHere: 'Something went wrong here',
  doNotLearnFromIt: 'Do not learn from it',
  keptUntilBack: 'Kept on this device; it is sent when the network is back.',
});
