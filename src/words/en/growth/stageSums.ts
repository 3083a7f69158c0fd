import { catalogue } from '../../catalogue.ts';

/** What core/growth/stageSums.ts says. */
export const WORDS = catalogue({
  ruleOfWeeksOfThe: (part: string) => `rule of weeks of the crop book turned into degree-days (${part})`,
  neverGerminatesAtItsOwn: (crop: string, germBest_C: number) =>
    `${crop} never germinates at its own best temperature, ${germBest_C} degrees C`,
  doesNotGrowAtIts: (crop: string, base_C: number) =>
    `${crop} does not grow at its reference temperatures: base ${base_C}`,
  weeksLeaveNoTimeAfter: (crop: string, crop2: number) => `${crop}: ${crop2} weeks leave no time after emergence`,
});
