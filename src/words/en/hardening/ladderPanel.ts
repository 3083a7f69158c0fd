import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the hardening screens: LadderPanel. */
export const WORDS = catalogue({
  in: 'in',
  askedFor: (trays: string, placeName: string, transplantOn: string, expectedOn: string) =>
    `${trays}, ${placeName}; asked for ${transplantOn}, ${expectedOn}`,
  noPlace: 'no place',
  hardeningIsToBeginBy: (startsOn: Part, why: Part) =>
    rich`Hardening is to begin ${startsOn}. By the forecast: ${why}.`,
  step: (rung: number, words: string) => `step ${rung}, ${words}`,
  tooFarAhead: 'too far ahead',
  canAsGoodAsNever: (neverCount: string, join: string) =>
    `${neverCount} ${join} can as good as never be done here at that time: choose another programme below, or begin later.`,
  rung: 'Rung',
  rungs: 'Rungs',
  lookAtThemAStep: (harmedOn: string, harmWords: string, setBackTo: number) =>
    `${harmedOn}${harmWords}. Look at them; a step back, to ${setBackTo}, is advised.`,
  notKnown: 'Not known',
  stepOf: (target: number, rungsCount: number) => `step ${target} of ${rungsCount}`,
  hardened: 'Hardened',
  why: 'Why',
  doneForToday: 'Done for today.',
  keptBackToday: 'kept back today',
  keptBackToday2: 'Kept back today',
  stepDone: (target: number) => `step ${target} done`,
  stepDone2: (target: number) => `Step ${target} done`,
  otherwise: 'Otherwise…',
  reasonKeptInTheLog: 'Reason, kept in the log',
  ownDecision: 'own decision',
  stepByYourOwnDecision: (r: number) => `step ${r}, by your own decision`,
  stepAllTheSame: (r: number) => `Step ${r} all the same`,
  sayWhyFirstNextYear: 'Say why first: next year asks.',
  heldSoInTimeIn: (today: Part, inTime_frac: Part, inTime_frac2: Part) =>
    rich`Held so: ${today}; in time in ${inTime_frac} of springs${inTime_frac2}.`,
  insteadOf: (inTime_frac: string) => ` instead of ${inTime_frac}`,
  theSteps: (programme: string, chosen: string) => `The steps: ${programme}${chosen}`,
  usualForItsKind: ', usual for its kind',
  programme: 'Programme',
  orMoreGustsTo: (floor_C: string, gust_m_s: string, cover: string, days: string) =>
    `${floor_C} or more, gusts to ${gust_m_s}${cover}${days}`,
  days: (days: number) => `, ${days} days`,
  theDaysAsATable: 'The days as a table',
  day: 'Day',
  say: 'Say',
  step2: 'Step',
  hold: 'Hold',
  holdADayLess: 'Hold a day less',
  until: (until: string) => `until ${until}`,
  notHeld: 'not held',
  holdADayMore: 'Hold a day more',
  keep: 'Keep',
  drop: 'Drop',
  tray: 'tray',
  up: ', up',
  fitToGoOutIn: (inTime_frac: string) => `; fit to go out in time in ${inTime_frac} of springs`,
  go: 'Go',
  back: 'Back',
});
