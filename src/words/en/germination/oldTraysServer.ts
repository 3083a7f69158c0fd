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
  thisKeyWasUsedFor: 'This key was used for another file; use a fresh one for each.',
  someLinesAreWrongMend: 'Some lines are wrong; mend them and send the file again.',
  theBookHasNoWrite: (crop: string) => `the book has no "${crop}"; write it as the book does, or add it there`,
  hasNoInTheBook: (crop: string, variety: string, one: string) =>
    `${crop} has no "${variety}" in the book; it has ${one}`,
  noLotOfThatVariety: (lot: string) => `no lot "${lot}" of that variety in the book; leave it empty`,
});
