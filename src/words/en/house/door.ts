import { catalogue } from '../../catalogue.ts';

/** Words of signing in and of links that work once. */
export const WORDS = catalogue({
  signIn: 'Sign in',
  join: 'Join this house',
  login: 'Name',
  loginHint: 'You sign in by it; small and capital letters are the same.',
  password: 'Password',
  passwordHint: 'At least 12 letters: three or four words that do not belong together.',
  email: 'E-mail',
  emailHint: 'May stay empty; alarms can be sent there.',
  byPasskey: 'Sign in by passkey',
  passkeyFailed: 'No passkey was taken. Try again, or sign in by password.',
  forgotten:
    'Forgotten? The owner makes you a link under Books, People. An owner who forgot starts Crook with "bin/start --owner" and gives the same name.',
  noScript: 'Signing in needs JavaScript, so that the link stays on this device.',
  yourAccount: 'Choose how you sign in',
  yourAccountWhat: 'This link works once, on this device. It makes your account, or another password if you have one.',
  ownerTitle: 'You are the owner',
  ownerWhat:
    'Owners make links for the others, keep the settings and see what was changed. From now on everybody signs in. If you have an account, give its name: it gets the new password.',
  tabletTitle: 'A tablet of the house',
  tabletWhat: 'This device stays signed in as the house. Whoever takes it says so with a short PIN.',
  useIt: 'Sign in as the house',
  make: 'Join',
  broken: 'This link is not whole. Copy all of it, or ask for another.',
});
