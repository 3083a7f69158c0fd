import { catalogue } from '../../catalogue.ts';

/** What server/germination/oldTrays.ts says. */
export const WORDS = catalogue({
  sendAFreshKeyWith: 'Send a fresh key with the file.',
  nothingWasReadIn: 'Nothing was read in',
  countedOnIsStillTo: (lastDay: string) => `counted_on: ${lastDay} is still to come`,
  traySownWasReadIn: (tray: string, sownOn: string) => `tray: ${tray}, sown ${sownOn}, was read in before`,
  tray: (tray: string, taught: string) => `tray ${tray}: ${taught}`,
  noSuchFile: 'No such file',
  noFileOfOldTrays: (id: number) => `No file of old trays has the number ${id}.`,
});
