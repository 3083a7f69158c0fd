import { catalogue } from '../../catalogue.ts';

/** Words of ui: sureWords. */
export const WORDS = catalogue({
  oneInTwo: 'one in two',
  twoInThree: 'two in three',
  threeInFour: 'three in four',
  fourInFive: 'four in five',
  nineInTen: 'nine in ten',
  in100: (round: number) => `${round} in 100`,
});
