import { catalogue } from '../../catalogue.ts';

/** What core/growth/stageSums.ts says. */
export const WORDS = catalogue({
  ruleOfWeeksOfThe: (part: string) => `rule of weeks of the crop book turned into degree-days (${part})`,
});
