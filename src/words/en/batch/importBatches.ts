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
});
