import { catalogue } from '../../catalogue.ts';

/** Words of the heat screens: words. */
export const WORDS = catalogue({
  overDays: (hARM_h: number) => `over ${hARM_h} days`,
  min: (max: number) => `${max} min`,
  min2: (value: number) => `${value} min`,
});
