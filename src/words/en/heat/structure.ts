import { catalogue } from '../../catalogue.ts';

/** What core/heat/structure.ts says. */
export const WORDS = catalogue({
  halfOpen: 'half open',
  shareOfTheSidesGlazed: 'share of the sides glazed',
  bricksKg: 'bricks, kg',
  hotBedWM2: 'hot bed, W/m2',
});
