import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the batch screens: LineBox. */
export const WORDS = catalogue({
  words3X200LettuceEvery: '3 x 200 lettuce every 2 weeks from 1 April',
  batchMade: 'Batch made',
  made: (batches: string) => `${batches} made`,
  aBatchInALine: 'A batch in a line',
  howManyOfWhatFor: 'How many, of what, for when. For example ',
  aPastedListMakesA: '. A pasted list makes a batch of each line.',
  making: 'Making…',
  make: (batches: string) => `Make ${batches}`,
  makeIt: 'Make it',
  lookingForPlaces: 'Looking for places…',
  plannedOut: (sowOn: Part, placesCount: Part, transplantOn: Part, late_days: Part, lack: Part) =>
    rich`${sowOn}${placesCount}. Planned out ${transplantOn}${late_days}.${lack}`,
  noDayToSowCan: 'No day to sow can be found',
  sow: (sowOn: string) => `Sow ${sowOn}`,
  andMore: (counted: string) => `and ${counted} more`,
  withinItsDays: 'within its days',
  batches: 'Batches',
  plantsInEachBatch: 'Plants in each batch',
  crop: 'Crop',
  variety: 'Variety',
  lot: 'Lot',
  day: 'Day',
  until: 'Until',
  daysBetweenThem: 'Days between them',
  dayOf: 'Day of',
  takeIt: 'Take it',
  batch: 'batch',
  batches2: 'batches',
});
