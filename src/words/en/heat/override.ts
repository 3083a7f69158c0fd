import { catalogue } from '../../catalogue.ts';

/** Words of the heat screens: Override. */
export const WORDS = catalogue({
  givenToTheController: 'Given to the controller.',
  backToThePlan: 'Back to the plan.',
  setPoint: 'Set-point',
  backToThePlanNow: 'Back to the plan now',
  byUntilThenThePlan: (set_C: string, by: string, why: string, until_ms: string) =>
    `${set_C} by ${by}${why}, until ${until_ms}; then the plan again. `,
  off: 'Off',
  thePlanGivesByHand: (set_C: string) => `The plan gives ${set_C}. By hand for a while:`,
  noHeat: 'no heat',
  cooler: 'Cooler',
  setPointByHand: 'Set-point by hand',
  warmer: 'Warmer',
  forHowLong: 'For how long',
  for: (h: string) => `for ${h}`,
  hours: (h: number) => `${h} hours`,
  days: (h: number) => `${h} days`,
  asNow: 'As now.',
  itCanHoldThatNow: 'it can hold that now',
  itCannotHoldThatWith: (outside_C: string) => `it cannot hold that with ${outside_C} outside`,
  who: 'Who',
  who2: 'who',
  why: 'Why',
  why2: 'why',
  setItTo: (set_C: string) => `Set it to ${set_C}`,
  whoChangedItAndWhy: 'Who changed it and why',
  aDay: 'a day',
  off2: 'off',
  writtenDownSetTheThermostat: 'Written down; set the thermostat to it.',
  moreHeat: (change: string, holds: string) => `${change} heat; ${holds}.`,
});
