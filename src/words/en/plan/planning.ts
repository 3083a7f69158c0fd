import { catalogue } from '../../catalogue.ts';

/** What contracts/plan/planning.ts says. */
export const WORDS = catalogue({
  weekTheDateOfIts: 'week: the date of its Monday',
  setPointsAtMostTen: 'set-points: at most ten years of weeks',
  setPointsAtMost200: 'set-points: at most 200 places',
  whatWasDone: 'what was done',
  transplantDate: 'transplant date',
  batchesAtMost2000In: 'batches: at most 2000 in one step',
  daysBetween: 'days between',
  howMany: 'how many',
  shareOfTheFirst: 'share of the first',
  anInsuranceBatchIsOne: 'an insurance batch is one beside the first: 2 in all',
  daysToMoveBy: 'days to move by',
  usualSetPoint: 'usual set-point',
});
