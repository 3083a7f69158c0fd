import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the frame KeptBatch. */
export const WORDS = catalogue({
  timesTheLibrarysTimeTo: (time_factor: string | number) => `${time_factor} times the library’s time to half up`,
  timesTheBooksGrowth: (growth_factor: string | number) => `${growth_factor} times the book’s growth`,
  cameUp: 'came up',
  plantedOutOfWanted: (wanted_count: string | number) => `planted out, of ${wanted_count} wanted`,
  kwh: (heat_kWh: string | number) => `${heat_kWh} kWh`,
  code: (code: Part) => rich`code ${code}`,
  seasonIsClosedThisIs: (seasonName: Part, part: Part, endCause: Part, link: Part) =>
    rich`Season ${seasonName} is closed. This is the batch as it came out: ${part}${endCause}. ${link}`,
  earlierPlans: 'Earlier plans',
  whatItTaught: (join: string | number) => `What it taught: ${join}.`,
  plannedAndAsItWas: 'Planned and as it was',
  step: 'Step',
  planned: 'Planned',
  asItWas: 'As it was',
  days: 'Days',
  notReached: 'not reached',
  notLogged: 'not logged',
  lost: 'Lost',
  log: 'Log',
  newestFirst: (eventsCount: Part) => rich`${eventsCount}, newest first.`,
  heatByTheRoomIt: 'heat, by the room it took',
  line: 'line',
  sown: 'sown',
  potted: 'potted',
});
