import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the potting screens: ReadyList. */
export const WORDS = catalogue({
  trueLeaves: (count: number) => `${count} true leaves`,
  keptOnThisDevice: ', kept on this device',
  nothingIsNearItsPot: 'Nothing is near its pot. Batches come here by their forecast, or when you log a sign on them.',
  noneOfThese: 'None of these',
  allOfThese: 'All of these',
  pot: (name: string) => `Pot ${name}`,
  byItsSign: 'by its sign',
  inASession: 'in a session',
  overItsTimeSinceRoots: (harmOn: string) => `Over its time since ${harmOn}: roots run round, growth checks.`,
  canStandUntil: (harmOn: string) => `Can stand until ${harmOn}.`,
  of: (trays: Part, container: Part, place: Part, pot: Part) => rich`${trays} of ${container}${place}${pot}`,
  traySpacesInSpacedOut: (slots: number, slots2: number, pot: string, slots3: number) =>
    `: ${slots} → ${slots2} tray spaces in ${pot}, ${slots3} spaced out`,
  trueLeavesOn: (n: number, name: string) => `${n} true leaves on ${name}`,
  cancel: 'Cancel',
  plantsOf: (chosenCount: string) => `plants of ${chosenCount}`,
  planASession: 'Plan a session',
  day: 'day',
  days: 'days',
  over: 'over',
  left: 'left',
  aWeekMoreCostsNothing: 'A week more costs nothing but room.',
  laterOut: (later_days: string) => `${later_days} later out`,
  noLaterOut: 'no later out',
  withRootsRunRound: (checked_count: string) => `${checked_count} with roots run round`,
  noPlantHarmed: 'no plant harmed',
  aWeekMoreAndBy: (late: string, harm: string, price: string) =>
    `A week more: ${late}, ${harm}, and ${price} by what lateness and waiting are worth to you.`,
  batch: 'batch',
  batches: 'batches',
  tray: 'tray',
  plant: 'plant',
});
