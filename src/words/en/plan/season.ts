import { catalogue } from '../../catalogue.ts';

/** Words of the plan screens: Season. */
export const WORDS = catalogue({
  goesOut: (name: string, transplantOn: string) => `${name} goes out ${transplantOn}`,
  anotherPlaceOrDay: (name: string) => `${name}: another place or day`,
  itCannotStandSoToo: 'It cannot stand so: too cold, too hot or too late there. Nothing was changed.',
  notAllCouldGiveWay: 'Not all could give way: it is still over room.',
  anotherPlaceOrDay2: (name: string, others: string) => `${name}: another place or day${others}`,
  way: (others: string) => `, ${others} way`,
  otherGives: 'other gives',
  othersGive: 'others give',
  plannedTheSeason: 'planned the season',
  plannedOfTheSeason: (takenCount: string) => `planned ${takenCount} of the season`,
  season: (seasonLabel: string) => `Season ${seasonLabel}`,
  inHandLate: (hereCount: string, lateCount: number, overCount: string) =>
    `${hereCount} in hand, ${lateCount} late, ${overCount}`,
  allWithinRoom: 'all within room',
  overRoom: (overCount: string) => `${overCount} over room`,
  planOfTheHouse: 'Plan of the house',
  whatIf: 'What if',
  newBatch: 'New batch',
  cancelThePlanning: 'Cancel the planning',
  planTheSeason: 'Plan the season',
  planning: 'Planning',
  seasonScrollsSideways: 'Season, scrolls sideways',
  besideTheSeason: 'Beside the season',
  batch: 'batch',
  batches: 'batches',
  time: 'time',
});
