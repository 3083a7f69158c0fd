import { catalogue } from '../catalogue.ts';

/** What layouts/seasonTable.ts says. */
export const WORDS = catalogue({
  cannotBeWorkedOut: (fault: string) => `cannot be worked out: ${fault}`,
  done: (day: string) => `${day} done`,
});
