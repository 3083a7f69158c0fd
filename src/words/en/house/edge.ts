import { catalogue } from '../../catalogue.ts';

/** What server/edge.ts says. */
export const WORDS = catalogue({
  lastOwnerTitle: 'The last owner',
  lastOwner: 'An owner who can sign in must remain. Make somebody else owner first.',
  theDatabaseIsAway: 'The database is away',
  somethingBroke: 'Something broke',
  itIsInTheLog: 'It is in the log. Nothing was written.',
  notJson: 'Not JSON',
  theBodyMustBeJson: 'The body must be JSON.',
  pleaseLookAgain: 'Please look again',
  noSuchThing: 'No such thing',
  isNotANumberOf: (text: string) => `"${text}" is not a number of one.`,
  sendJson: 'Send JSON',
  theContentTypeMustBe: 'The content type must be application/json.',
  tooLarge: 'Too large',
  atMostKb: (floor: number) => `At most ${floor} KB.`,
  nothingWasLostAndNothing: 'Nothing was lost and nothing was written. Try again in a moment; it recovers by itself.',
  holdsACharacterThatIs: (path: string) => `${path}: holds a character that is none; type it anew`,
});
