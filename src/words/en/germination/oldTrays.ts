import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the germination screens: OldTrays. */
export const WORDS = catalogue({
  thisFileIsOver2: 'This file is over 2 MB. Cut it into parts.',
  countsFromYourOwnBooks: (toLowerCase: Part, part: Part) =>
    rich`Counts from your own books of earlier years teach the times to come up at once. A CSV with a line for each count: ${toLowerCase}. The temperature is the mean of the medium from sowing to the last count; ${part} may be added.`,
  aFileOfTrays: 'A file of trays',
  crop: 'Crop',
  trays: 'Trays',
  sown: 'Sown',
  halfUp: 'Half up',
  to: (shortDay: string, shortDay2: string) => `${shortDay} to ${shortDay2}`,
  learnFromThese: (counted: string) => `Learn from these ${counted}`,
  of: (trays_count: Part, crops_count: Part, leftOut: Part) => rich`${trays_count} of ${crops_count}${leftOut}`,
  notUsedForEstimates: ', not used for estimates',
  learnFromThemAgain: 'Learn from them again',
  leaveThemOut: 'Leave them out',
  tray: 'tray',
  crop2: 'crop',
});
