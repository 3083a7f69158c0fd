import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the plan screens: ProposalPanel. */
export const WORDS = catalogue({
  proposedPlan: 'Proposed plan',
  whatTheDrawingShows: 'What the drawing shows',
  asItIsNow: 'As it is now',
  asProposed: 'As proposed',
  takeItAll: 'Take it all',
  takeOf: (size: number, movingCount: number) => `Take ${size} of ${movingCount}`,
  leaveIt: 'Leave it',
  thisPlanAgainstNow: 'This plan against now:',
  now: 'Now',
  proposed: 'Proposed',
  noWayFoundFor: (offersCount: string) => `No way found for ${offersCount}`,
  theyStayAsTheyAre: 'They stay as they are now, over room or not.',
  nothingTriedWouldPlaceIt: 'Nothing tried would place it: look at its date and its places.',
  nothingWouldMove: 'Nothing would move',
  whatMoves: (movingCount: string) => `What moves: ${movingCount}`,
  chooseNone: 'Choose none',
  chooseAll: 'Choose all',
  daysNamedNothingMoved: 'days named, nothing moved',
  takenInPartItLeaves: 'Taken in part it leaves too little room',
  takeAsWell: (join: Part, part: Part) => rich`take ${join}${part} as well`,
  andMore: (part: number) => ` and ${part} more`,
  overByTo: (name: Part, counted: Part, from: Part, shortDay: Part) =>
    rich`${name} over by ${counted}, ${from} to ${shortDay}`,
  traySpace: 'tray space',
  onlyWhatStandsIn: 'Only what stands in',
  chooseAPlace: 'choose a place',
  noWork: 'no work',
  hBeyondTheHandsIn: (beyond: string) => `, ${beyond} h beyond the hands in all`,
  hInTheWeekOf: (hours: string, week: string, over: string) => `${hours} h in the week of ${week}${over}`,
  nowProposed: (part: Part, now: Part, proposed: Part) => rich`${part} now: ${now}; proposed: ${proposed}.`,
  busiestWeek: 'Busiest week',
  setPointsByWeek: 'Set-points by week',
  from: (placeId: Part, week: Part, join: Part) => rich`${placeId}, from ${week}: ${join}`,
  provedNoPlanThatHeats: 'Proved: no plan that heats these weeks is cheaper.',
  provedWithinOfTheCheapest: (gap_frac: string) =>
    `Proved: within ${gap_frac} of the cheapest there can be with these weeks heated as planned.`,
  mostOfThatIsThe: (within: string, leftOut_count: string) =>
    `${within} Most of that is the price of ${leftOut_count} left out.`,
  heatingOtherWeeksCouldBe: (within: string) =>
    `${within} Heating other weeks could be cheaper still: of that nothing is proved.`,
  whateverWeeksAreHeatedWithin: (within: string, anyWeeksGap_frac: string) =>
    `${within} Whatever weeks are heated: within ${anyWeeksGap_frac}.`,
  tooManyBatchesForThe:
    'Too many batches for the exact solver: choose one place and some weeks to let it choose there.',
  ofWaysFoundForThe: (plans_count: number) =>
    `Of ${plans_count} ways found for the batches, no choice is cheaper than this one (proved by the exact solver).`,
  byHowMuchIsNot: 'by how much is not known',
  byAtMost: (round: number) => `by at most ${round}%`,
  ofWaysFoundTheExact: (plans_count: number, gap: string) =>
    `Of ${plans_count} ways found, the exact solver ran out of time: a choice among them could still be cheaper, ${gap}.`,
  batch: 'batch',
  batches: 'batches',
  off: 'off',
});
