import { catalogue } from '../../catalogue.ts';

/** What core/plan/season.ts says. */
export const WORDS = catalogue({
  itCannotBeWorkedOut: (why: string) => `it cannot be worked out: ${why}`,
});
