import { catalogue } from '../../catalogue.ts';

/** Words of the books screens: ContainerEditor. */
export const WORDS = catalogue({
  byTheseItHoldsEach: (lengthUnit: string, unitOf: string) => `By these it holds ${lengthUnit} ${unitOf} each.`,
  typeAllThreeMeasures: 'Type all three measures.',
  saveIt: 'Save it',
  addIt: 'Add it',
  insideMeasuresOfOnePot: 'Inside measures of one pot, cell or block, up to where it is filled',
  seenFromAbove: 'Seen from above',
  notMeasured: 'not measured',
  round: 'round',
  square: 'square',
  acrossTheTop: 'Across the top',
  acrossTheBase: 'Across the base',
  height: 'Height',
});
