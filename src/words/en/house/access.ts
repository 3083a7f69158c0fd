import { catalogue } from '../../catalogue.ts';

/** What the gate of pages and calls says. */
export const WORDS = catalogue({
  toTheRound: "Today's round",
  myAccount: 'My account',
  notSignedIn: 'Not signed in',
  roles: { guest: 'guest', hand: 'hand', grower: 'grower', owner: 'owner' },
  signInFirst: 'Sign in on this device. What waits on it stays.',
  notYours: 'Not for your role',
  leastRole: (role: string) => `This is for the role "${role}" and above. The owner can change your role under People.`,
  anothersTitle: 'Tapped by someone else',
  anothers: (name: string | null) =>
    `${name ?? 'Someone else'} tapped this on this device. It stays here until they sign in, or you let it go.`,
  removedTitle: 'Removed from this house',
  removed: 'You are no longer one of the people of this house. Ask the owner.',
});
