import { catalogue } from '../../catalogue.ts';

/** What server/germination/howMany.ts says. */
export const WORDS = catalogue({
  reckonedFromItsTestAnd: 'reckoned from its test and age',
  noTestTheUsual: 'no test: the usual',
  testOfLot: (code: string) => `test of lot ${code}`,
});
