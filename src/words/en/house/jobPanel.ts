import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the house screens: JobPanel. */
export const WORDS = catalogue({
  code: (trays: Part, code: Part, toPlace: Part) => rich`${trays}, code ${code}${toPlace}`,
  to: (toPlace: string) => `, to ${toPlace}`,
  oneFewer: 'One fewer',
  number: (countWord: string) => `Number ${countWord}`,
  of: (sown_count: number) => ` of ${sown_count}`,
  oneMore: 'One more',
  allExpected: 'All expected',
  asPlanned: 'As planned',
  ofAboutExpectedSaveThen: (part: Part, count: Part, expected_count: Part) =>
    rich`${part} ${count} of about ${expected_count} expected. Save, then it comes off the heat.`,
  halfAreUp: 'Half are up.',
  aboutOfAreExpectedIn: (ceil: Part, expected_count: Part, sown_count: Part) =>
    rich`${ceil} About ${expected_count} of ${sown_count} are expected in the end.`,
  halfUpAt: (ceil: number) => `Half up at ${ceil}.`,
  dayItWasDone: 'Day it was done',
  note: 'Note',
  halfUpCounted: (count: number) => `half up, ${count} counted`,
  counted: (count: number) => `${count} counted`,
  saveHalfUpWith: (count: number) => `Save: half up with ${count}`,
  saveUp: (count: number) => `Save: ${count} up`,
  log: (toLowerCase: string) => `Log ${toLowerCase}`,
  tray: 'tray',
});
