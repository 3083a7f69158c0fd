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
  airGapIsMmTo: (thickness_mm: number) => `air gap is ${thickness_mm} mm; 0 to 300 wanted`,
  thicknessOfIsMMore: (material: string, thickness_m: number) =>
    `thickness of ${material} is ${thickness_m} m; more than 0 and at most 2 wanted`,
});
