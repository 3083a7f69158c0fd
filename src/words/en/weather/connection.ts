import { catalogue } from '../../catalogue.ts';

/** Words on every page: the connection. */
export const WORDS = catalogue({
  signedOut: 'This device is signed out. What you do waits here until somebody signs in.',
  signIn: 'Sign in',
  lostSince: (time: string) => `Connection lost at ${time}; reconnecting`,
  asOf: (time: string) => `No network: as of ${time}`,
  whatThatMeans:
    'What you see is from this device, as it was then. What you tap is kept here and goes out by itself, in order, when there is a network.',
  why: 'Why',
  tryNow: 'Try now',
});
