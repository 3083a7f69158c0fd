import { catalogue } from '../../catalogue.ts';

/** What core/batch/work.ts says. */
export const WORDS = catalogue({
  treatTheSeed: 'Treat the seed',
  sow: 'Sow',
  takeInPlugs: 'Take in plugs',
  lookAndCount: 'Look and count',
  offTheHeat: 'Off the heat',
  potUp: 'Pot up',
  waterIn: 'Water in',
  spaceOut: 'Space out',
  startHardening: 'Start hardening',
  nextStep: 'Next step',
  plantOut: 'Plant out',
  seeHowItStands: 'See how it stands',
  cellsSown: 'cells sown',
  trayOf: (part: string, trays: number, trays2: string, name: string, shows: string) =>
    `${part}: ${trays} tray${trays2} of ${name}${shows}`,
  grownEnough: 'grown enough',
  pottedWaterInWellThen: 'potted: water in well, then rest until {day}: no hardening, no full sun, no feed',
  byTheForecast: (words: string) => `by the forecast ${words}`,
  setBackToStep: (setBackTo: number, words: string) => `set back to step ${setBackTo}: ${words}`,
  plantedOutDayHowMany: 'planted out {day}: how many stand, and how well',
  pots: 'pots',
  cellsForPlantsHalfUp: (cells: number, plantsWanted: number) =>
    `${cells} cells for ${plantsWanted} plants; half up about {day}`,
  ofUpHalfExpectedDay: (up_count: number, sown_count: number) => `${up_count} of ${sown_count} up; half expected {day}`,
  ofUpIntoTheLight: (up_count: number, sown_count: number) =>
    `${up_count} of ${sown_count} up; into the light before they stretch`,
  stepOfNotInA: (rung: number, rungsCount: number, words: string) =>
    `step ${rung} of ${rungsCount}: ${words}; not in a gale or frost`,
  sowDay: (pretreat: string) => `${pretreat}; sow {day}`,
  plugsOrderedForPlantsLook: (count: number, plantsWanted: number) =>
    `${count} plugs ordered for ${plantsWanted} plants; look them over before they go in with the rest`,
  nothingCountedYetHalfExpected: 'nothing counted yet; half expected {day}',
  halfUpByTheForecast: 'half up by the forecast; into the light',
  lookForRootsAtThe: '; look for roots at the base',
  leavesTouchAboutNowLift: 'leaves touch about now: lift every other pot into a second tray; twice the room',
  restedAfterPotting: 'rested after potting; ',
  stepToGoOutDay: (restedWords: string, first: string) => `${restedWords}step 1: ${first}; to go out {day}`,
  wantedLookAtSoilNights: (plantsWanted: number) => `${plantsWanted} wanted; look at soil, nights and wind first`,
});
