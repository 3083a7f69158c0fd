import { catalogue } from '../../catalogue.ts';

/** Words of the batch screens: LogForm. */
export const WORDS = catalogue({
  whatHappened: 'What happened',
  day: 'Day',
  rung: 'Rung',
  howMany: 'How many',
  place: 'Place',
  asPlanned: 'as planned',
  note: 'Note',
  saveTheCorrection: 'Save the correction',
  saveTheLine: 'Save the line',
});
