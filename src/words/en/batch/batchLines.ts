import { catalogue } from '../../catalogue.ts';

/** What server/batch/batchLines.ts says. */
export const WORDS = catalogue({
  from1ToPlantsA: (toLocaleString: string) => `From 1 to ${toLocaleString} plants a batch.`,
  tooManyAtOnce: 'Too many at once',
  noPlaceWillDoFor: 'no place will do for it at that date',
  traySpacesShortInFrom: (slots: number, placeId: undefined | string, from: string) =>
    `${slots} tray spaces short in ${placeId} from ${from}`,
  nothingWasMade: 'Nothing was made',
  theseLinesAskForBatches: (open: number, mostPlaced: number) =>
    `These lines ask for ${open} batches; at most ${mostPlaced} are placed in one step. Send them in parts.`,
  someLinesCannotBeMade: 'Some lines cannot be made yet; mend what is marked.',
});
