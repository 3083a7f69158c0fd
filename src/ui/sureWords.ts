import { WORDS } from '../words/en/ui/sureWords.ts';
/** How sure a plan is to be, as offered everywhere. */
export const SURE: readonly (readonly [number, string])[] = [
  [0.5, WORDS.oneInTwo],
  [0.67, WORDS.twoInThree],
  [0.75, WORDS.threeInFour],
  [0.8, WORDS.fourInFive],
  [0.9, WORDS.nineInTen],
];

/** "nine in ten"; a figure in between by itself. */
export const sureWords = (sure_frac: number): string =>
  SURE.find(([frac]) => Math.abs(frac - sure_frac) < 0.005)?.[1] ?? WORDS.in100(Math.round(100 * sure_frac));
