import { catalogue } from '../../catalogue.ts';

/** What server/hardening/structures.ts says. */
export const WORDS = catalogue({
  plantsWantAtLeast: 'plants want at least',
  andAtMost: 'and at most',
  lossThroughTheGlazing: 'loss through the glazing',
  lightLetThrough: 'light let through',
  somebodyIsThere: 'somebody is there',
  words00To00: (from_h: number, to_h: number) => `${from_h}:00 to ${to_h}:00`,
  at: (steps: undefined | string, hour: string) => `${steps} at ${hour}`,
  leaveIt: (steps: undefined | string) => `leave it ${steps}`,
  shutAllDayItComes: (shutMost_C: string) => `shut all day it comes to ${shutMost_C}`,
  shutInSunItWould: (shutMost_C: string, shutMostAt: string) =>
    `shut in sun it would reach ${shutMost_C} by ${shutMostAt}`,
  lidShut: 'lid shut',
  waterTheFloor: 'water the floor',
  fleeceOverTheTrays: 'fleece over the trays',
  aBlanketOverTheGlass: 'a blanket over the glass',
  heaterOn: 'heater on',
  tonightWithTheLidShut: (low: string) => `tonight ${low} with the lid shut: enough`,
  tonightWithTheLidShut2: (low: string, least_C: string) => `tonight ${low} with the lid shut, they want ${least_C}`,
  kwh: (toFixed: string) => `, ${toFixed} kWh`,
  holds: (wants: string, part: string, least_C: string, kWh: string) => `${wants}: ${part} holds ${least_C}${kWh}`,
  heatInBySunAnd:
    'Heat in by sun and stored warmth, out through the glazing, the gaps and the opening, hour by hour; the narrowest step that keeps the air 2 degrees under what the plants stand until somebody is there again.',
  glazingByHandbooksVentilationBy: (commonPractice: string) =>
    `glazing by handbooks, ventilation by Warren & Parkins 1985 (from memory); the rest ${commonPractice}`,
  nothingAtHandIsEnough: (act: string, unit: string) =>
    `nothing at hand is enough; ${act} holds ${unit}. Carry the tenderest in.`,
  school: 'opened by',
  schools: { model: 'the model', outdoor: 'the temperature outside', indoor: 'the temperature inside' },
});
