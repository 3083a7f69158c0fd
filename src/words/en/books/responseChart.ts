import { catalogue } from '../../catalogue.ts';

/** Words of the books screens: ResponseChart. */
export const WORDS = catalogue({
  medium: (unit: string) => `medium, °${unit}`,
  days: (decimal: string) => `${decimal} days`,
  daysToHalfUp: 'days to half up',
});
