import { catalogue } from '../../catalogue.ts';

/** What core/hardening/words.ts says. */
export const WORDS = catalogue({
  noCover: 'no cover',
  step: (rung: number) => `step ${rung}`,
  whereWantsOrMore: (is: string, rung: string, wants: string) => `${is} where ${rung} wants ${wants} or more`,
  gustsOfBears: (figure: string, rung: string, bears: string) => `gusts of ${figure}, ${rung} bears ${bears}`,
  byDayBearsKeepThem: (figure: string, rung: string, bears: string) =>
    `${figure} by day, ${rung} bears ${bears}: keep them in shade over midday`,
  noGustsToldBearsLook: (rung: string, bears: string) =>
    `no gusts told, ${rung} bears ${bears}: look at the wind yourself`,
  restingAfterPotting: 'resting after potting',
  heldByHand: 'held by hand',
  nearItsLowest: (figure: string) => `${figure}, near its lowest`,
  gustsOfNearItsMost: (figure: string) => `gusts of ${figure}, near its most`,
  isNewAndTheDay: (rung: string, part: string, near: string) =>
    `${rung} is new ${part} and the day brings ${near}: one new stress at a time`,
  noForecastForIt: 'no forecast for it',
  inShelter: 'in shelter',
  keepThemIn: 'keep them in',
  onlyStep: (rung: number, what: string) => `only step ${rung}, ${what}`,
  hold: (rung: string, why: string) => `hold${rung}: ${why}`,
  onStep: (rung: number, what: string) => ` on step ${rung}, ${what}`,
  theLastStepIsDone: 'the last step is done: hardened',
  stepOf: (rung: number, rungsCount: number, what: string, of: string) => `step ${rung} of ${rungsCount}: ${what}${of}`,
  dayOf: (served: number, of: number) => `, day ${served} of ${of}`,
  film: 'film',
});
