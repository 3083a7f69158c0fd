import { catalogue } from '../../catalogue.ts';

/** Words of the hardening screens: Structures. */
export const WORDS = catalogue({
  shutNothingMore: 'shut, nothing more',
  floorWatered: 'floor watered',
  fleeceOverTheTrays: 'fleece over the trays',
  blanketOverTheGlass: 'blanket over the glass',
  heaterOn: 'heater on',
  nothingStandsThere: 'nothing stands there',
  wantTo: (standingCount: string, least_C: string, most_C: string) => `${standingCount} want ${least_C} to ${most_C}`,
  asItIsBuilt: 'As it is built',
  today: 'Today',
  leaveIt: (steps: undefined | string) => `leave it ${steps}`,
  asAdvisedTo: (hot: string, least_C: string, most_C: string) => `${hot} As advised ${least_C} to ${most_C}.`,
  shutInSunItWould: (shutMost_C: string, shutMostAt: number, tooHotFrom: number) =>
    `Shut in sun it would reach ${shutMost_C} by ${shutMostAt}:00, too hot from ${tooHotFrom}:00.`,
  shutAllDayItComes: (shutMost_C: string) => `Shut all day it comes to ${shutMost_C}.`,
  daysOf: (name: string) => `Days of ${name}`,
  underEachDayTheMost: 'Under each day: the most it comes to with the lid shut; ! is too hot.',
  theNightAfterIt: 'The night after it',
  notToldThatFar: 'Not told that far.',
  notEnough: 'not enough',
  kwh: (kWh: string) => `, ${kWh} kWh`,
  aReckoningNotAPromise:
    'A reckoning, not a promise: a lid forgotten in sun kills faster than frost. Look at the thermometer inside. Fuel heaters in a shut house make carbon monoxide: vent as the label and your local code say, and never sleep there.',
  why: 'Why',
  theHoursAsATable: 'The hours as a table',
  hoursOf: (name: string) => `Hours of ${name}`,
  hour: 'Hour',
  outside: 'Outside',
  shut: 'Shut',
  ajar: 'Ajar',
  open: 'Open',
  advised: 'Advised',
  batch: 'batch',
  batches: 'batches',
  enough: 'enough',
});
