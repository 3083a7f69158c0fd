import { catalogue } from '../../catalogue.ts';

/** What server/house/roundView.ts says. */
export const WORDS = catalogue({
  openAtDusk: 'open for ten minutes at dusk: the air is damp, and drier outside',
  driesFaster: (times: number) => `; outside trays dry ${times} times as fast today: water before they go out`,
  noPlaceChosen: 'No place chosen',
  aboutTheHouse: 'About the house',
  plantedOut: 'Planted out',
  stepOfHardening: (count: number | null) => `Step ${count} of hardening`,
  keptBack: 'Kept back',
  done: 'Done',
  sown: 'Sown',
  come: 'Come',
  count: 'Count',
  moved: 'Moved',
  potted: 'Potted',
  watered: 'Watered',
  spaced: 'Spaced',
  out: 'Out',
  planted: 'Planted',
  well: 'Well',
  theGatesAreOpen: 'the gates are open',
  notToday: 'not today',
  withoutLight: 'without light',
  withLittleLightForThe: 'with little light for the warmth',
  likelyToRunToFlower: (figure: number, line: string, of: number) =>
    `; likely to run to flower: ${figure} days ${line}, ${of} are enough`,
  upDaysOnTheHeat: (days: number, light: string) => `; up ${days} days on the heat ${light}: they stretch`,
  wait: 'wait',
  wanted: (plants: number, verdict: string, by: string) => `${plants} wanted; ${verdict}: ${by}`,
  under: (line: string) => `under ${line}`,
  over: (line: string) => `over ${line}`,
});
