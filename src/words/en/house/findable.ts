import { catalogue } from '../../catalogue.ts';

/** What server/house/findable.ts says. */
export const WORDS = catalogue({
  out: (code: string, transplantOn: string) => `${code}, out ${transplantOn}`,
  lot: (code: string) => `Lot ${code}`,
});
