import { catalogue } from '../../catalogue.ts';

/** What formats/batchLine.ts says. */
export const WORDS = catalogue({
  aAnAndAtBy:
    'a an and at by each few for from hand in i my of on or out plant planted plants please pot pots sow sown sowing sowings starting begin beginning the then this to transplant transplants want we with x × date batch batches',
  onlyTheFirstLettersAre: (part: number) => `Only the first ${part} letters are read: a batch a line.`,
  notUnderstoodTakeItOut: (join: string) => `Not understood: ${join}. Take it out, or write it otherwise.`,
  atMostAYearApart: 'At most a year apart.',
  from1ToBatchesA: (part: number) => `From 1 to ${part} batches a line.`,
  whichDoYouMean: (join: string) => `Which do you mean: ${join}?`,
  sayTheCropSuchAs: 'Say the crop, such as tomatoes. It may be missing from the book of crops.',
  sayHowManyPlantsSuch: 'Say how many plants, such as 120.',
  sayWhenTheyAreTo: 'Say when they are to go out, such as 24 May.',
  thatDayIsPast: 'That day is past.',
  thereIsNoLotOf: (lotCode: string) => `There is no lot “${lotCode}” of it in the book of seed.`,
});
