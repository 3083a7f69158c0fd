import { catalogue } from '../../catalogue.ts';

/** What core/heat/materials.ts says. */
export const WORDS = catalogue({
  water: 'water',
  concrete: 'concrete',
  sand: 'sand',
  rigidFoamEps: 'rigid foam (EPS)',
  denseFoamXps: 'dense foam (XPS)',
  corrugatedCard: 'corrugated card',
  softwoodBoard: 'softwood board',
  steelShelf: 'steel shelf',
  moistMedium: 'moist medium',
  hotBedCompost: 'hot bed compost',
});
