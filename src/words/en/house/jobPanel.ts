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
  minutesBy: (minutes: string, by: string) => `${minutes}: ${by}`,
  logged: 'logged',
  saveDone: 'Save: done',
  startTheClock: 'Start the clock',
  stopTheClock: 'Stop the clock, without logging',
  whoHasThisJob: 'Who has this job',
  takesIt: (name: string) => `${name} takes it`,
  letsItGo: (name: string) => `${name} lets it go`,
  yes: 'Yes',
  no: 'No',
  looks: {
    readsRight: 'Reads what a thermometer beside it reads, within a degree?',
    inCell: 'Sensor in its cell, in the medium?',
    leadsDry: 'Leads and plugs dry and clear of water?',
  },
  doFirst: {
    readsRight: 'Write a reading by hand down for this zone and check the sensor before you trust the set-point.',
    inCell: 'Put it back into the medium of a tray first: in the air it has the bed heat without end.',
    leadsDry:
      'Do not touch it wet. Switch the circuit off at the board first, dry it, and have the residual-current device tested; wiring is for a licensed electrician and by your local code.',
  },
  openTheHeat: 'Open the heat of this place',
});
