import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the hardening screens: Harden. */
export const WORDS = catalogue({
  heldUntil: (until: string) => `held until ${until}`,
  goesOnAgain: 'goes on again',
  goesByAnotherProgrammeNow: (name: string) => `${name} goes by another programme now.`,
  go: (go: number) => `${go} go`,
  hold: (hold: number) => `${hold} hold`,
  back: (back: number) => `${back} back`,
  harden: 'Harden',
  nothingIsBeingHardened: 'nothing is being hardened',
  today: (onCount: string, join: string) => `${onCount} today: ${join}`,
  nothingKnown: 'nothing known',
  laddersAgainstTheComingDays: 'Ladders against the coming days',
  dayAboveNightBelowOn: 'Day above, night below on its colour, gusts',
  notTold: 'not told',
  noBatchIsBeingHardened: (link: Part) =>
    rich`No batch is being hardened or is to begin within ten days. What is planned stands in ${link}.`,
  season: 'Season',
  stairsClimbToHardenedDrag:
    'Stairs climb to hardened. Drag a batch’s stairs to hold it until that day, or use ← →, Enter and Escape. Windy and cold days do not count.',
  theBatchChosen: 'The batch chosen',
  begins: (startsOn: string, toLowerCase: string) => `begins ${startsOn}, ${toLowerCase}`,
  setBackToStep: (setBackTo: number) => `set back to step ${setBackTo}`,
  stepDoneForToday: (rung: number) => `step ${rung}, done for today`,
  toCarryToday: 'To carry today',
  hour: 'At',
  trays: 'Trays',
  what: 'What',
  min: 'Min',
  minutesInAllLiftWith: (minutes: number) =>
    `${minutes} minutes in all. Lift with the knees, or take the trolley; wet trays are heavy.`,
  batch: 'batch',
  batches: 'batches',
  more: 'more',
  withinTenDays: (soonCount: string) => `; ${soonCount} within ten days`,
});
