import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the plan screens: FilterBar. */
export const WORDS = catalogue({
  week: 'Week',
  month: 'Month',
  batch: 'Batch',
  noneChosen: 'none chosen',
  season: 'Season',
  allOpen: 'all open',
  crop: 'Crop',
  workInTheWeekOf: 'Work in the week of',
  only: 'Only',
  overRoom: 'over room',
  notPinnedToCome: 'not pinned, to come',
  shorterDays: 'Shorter days',
  longerDays: 'Longer days',
  lookHarder: 'Look harder',
  findAndFilter: (on: Part) => rich`Find and filter${on}`,
  findAndFilter2: 'Find and filter',
  planOfTheHouse: 'Plan of the house',
  whatIf: 'What if',
  show: 'Show',
  searchesSeveralTimesAsLong:
    'Searches several times as long, and says how near the plan of the whole season is to the cheapest there can be. Where no more than 24 batches may move, the exact solver chooses among all the ways found.',
  whatMayMove: 'What may move',
  everythingNotPinned: 'everything not pinned',
  whatStandsIn: (name: string) => `what stands in ${name}`,
  inTheFourWeeksFrom: 'in the four weeks from',
  lookHarderNow: 'Look harder now',
  late: 'late',
  pinned: 'pinned',
});
