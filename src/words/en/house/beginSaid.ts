import { catalogue } from '../../catalogue.ts';

/** Words of the house screens: begin. */
export const WORDS = catalogue({
  words1YearIn20: '1 year in 20',
  words1YearIn10: '1 year in 10',
  words1YearIn5: '1 year in 5',
  words1YearIn3: '1 year in 3',
  sillAndFrame: 'Sill and frame',
  aWindowSillAPropagator: 'a window sill, a propagator, a cold frame',
  oneHeatedBench: 'One heated bench',
  inACoolHouseWith: 'in a cool house, with a frame',
  chamberAndTwoBenches: 'Chamber and two benches',
  warmAndCoolFrameAnd: 'warm and cool, frame and ground',
  empty: 'Empty',
  writeThePlacesDownMyself: 'write the places down myself',
  myNursery: 'My nursery',
  nursery: (trim: string) => `${trim} nursery`,
});
