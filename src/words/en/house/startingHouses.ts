import { catalogue } from '../../catalogue.ts';

/** What core/house/startingHouses.ts says. */
export const WORDS = catalogue({
  coldFrame: 'Cold frame',
  standingGround: 'Standing ground',
  heatedPropagator: 'Heated propagator',
  windowSill: 'Window sill',
  heatedBench: 'Heated bench',
  coolHouse: 'Cool house',
  germinationChamber: 'Germination chamber',
  warmBench: 'Warm bench',
  coolBench: 'Cool bench',
});
