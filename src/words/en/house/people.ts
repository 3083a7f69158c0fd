import { catalogue } from '../../catalogue.ts';

/** What contracts/house/people.ts says. */
export const WORDS = catalogue({
  roleOneOf: (roles: string) => `role: one of ${roles}`,
  initialsOneToFourLetters: 'initials: one to four letters',
  initialsAtMost4Letters: 'initials: at most 4 letters',
  markOneOf: (join: string) => `mark: one of ${join}`,
  initialsTypeOneToFour: 'initials: type one to four letters',
});
