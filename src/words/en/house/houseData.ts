import { catalogue } from '../../catalogue.ts';

/** What server/house/houseData.ts says. */
export const WORDS = catalogue({
  to: (names: undefined | string, at: undefined | string) => `${names} to ${at}`,
});
