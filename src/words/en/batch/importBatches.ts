import { catalogue } from '../../catalogue.ts';

/** What server/batch/importBatches.ts says. */
export const WORDS = catalogue({
  sendAFreshKeyWith: 'Send a fresh key with the import.',
  nothingWasReadIn: 'Nothing was read in',
  theHeadingLacksItNeeds: (join: string, join2: string) =>
    `The heading lacks ${join}. It needs crop, plants and transplant_on, and may have ${join2}.`,
  notKnownTakeTheseColumns: (join: string) => `Not known: ${join}. Take these columns out or mend their names.`,
  theFileHasAHeading: 'The file has a heading but no lines.',
  itsDatesCanBeRead:
    'Its dates can be read two ways, 03/04 as 3 April or as March 4. Say which: the day first or the month first.',
  noPlaceWillDoFor: 'no place will do for it at that date',
  traySpacesShortInFrom: (slots: number, placeId: undefined | string, from: string) =>
    `${slots} tray spaces short in ${placeId} from ${from}`,
  hasMoreCellsThanThe: 'has more cells than the heading',
  isEmpty: 'is empty',
  isNotInTheCrop: (cell: string) => `"${cell}" is not in the crop book`,
  isNotAFigure: (text: string) => `"${text}" is not a figure`,
  isNotInTheBooks: (text: string) => `"${text}" is not in the books`,
  cannotBeRead: (column: string) => `"${column}" cannot be read`,
  isTooLongForA: 'is too long for a name',
  isToGrowOnFor: 'is "to grow on", "for the pot" or empty',
  someLinesAreWrongMend: 'Some lines are wrong; mend them and send the file again.',
  moreThanLinesCutThe: (mostLines: number) =>
    `More than ${mostLines} lines. Cut the file into parts; nothing was read.`,
  isAFormulaWriteIts: 'is a formula; write its value instead',
  isNotADateWrite: (text: string) => `"${text}" is not a date; write it as 2027-05-20`,
  isNotInTheBooksIt: (varietyName: string) => `"${varietyName}" is not in the books; it can be made with the batches`,
  isEmptyWriteItAs: 'is empty; write it as 2027-05-20',
  isEmptySayTheDay: 'is empty; say the day the plugs come',
});
