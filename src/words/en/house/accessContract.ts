import { catalogue } from '../../catalogue.ts';

/** What contracts/house/access.ts says. */
export const WORDS = catalogue({
  password: 'password: type one',
  passwordShort: (least: number) =>
    `password: at least ${least} letters; three or four words that do not belong together are good`,
  passwordLong: (most: number) => `password: at most ${most} letters`,
  pin: 'pin: four to eight digits',
  email: 'email: that is no e-mail address; leave it empty if there is none',
  linkBroken: 'key: this link is not whole; copy all of it',
});
