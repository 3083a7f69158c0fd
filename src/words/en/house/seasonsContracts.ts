import { catalogue } from '../../catalogue.ts';

/** What contracts/house/seasons.ts says. */
export const WORDS = catalogue({
  nameAShortNameSuch: 'name: a short name, such as 2027 or Autumn 2027',
  nameGiveTheSeasonA: 'name: give the season a name',
  name60CharactersAtMost: 'name: 60 characters at most',
  firstDay: 'first day',
  lastDay: 'last day',
  lastDayAfterTheFirst: 'last day: after the first',
  lastDayAtMostTwo: 'last day: at most two years after the first',
  standingAskOrCarryOver: 'standing: ask, or carry-over',
  seasonsTheLatestFirst: 'Seasons, the latest first',
  nameOrDaysOfAn: 'Name or days of an open season',
  closeASeasonItsBatches: 'Close a season: its batches are kept as they came out and not worked out again',
  openAClosedSeasonAgain: 'Open a closed season again',
  putABatchIntoAnother: 'Put a batch into another open season',
});
