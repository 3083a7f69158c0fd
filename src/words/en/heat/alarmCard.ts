import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the heat screens: AlarmCard. */
export const WORDS = catalogue({
  photos: 'Photos',
  sayWhoHasItA: 'Say who has it: a name or a role.',
  since: (raised_ms: Part, cleared_ms: Part) => rich`since ${raised_ms}${cleared_ms}`,
  over: (cleared_ms: string) => `, over ${cleared_ms}`,
  whatSaysSo: (join: string) => `What says so: ${join}.`,
  hasItSince: (takenBy: string, taken_ms: string) => `${takenBy} has it, since ${taken_ms}.`,
  whoHasIt: 'Who has it',
  whoHasIt2: 'who has it',
  iHaveIt: 'I have it',
});
