import { catalogue } from '../../catalogue.ts';

/** What pages/api/heat/zones/[id].ts says. */
export const WORDS = catalogue({
  noSuchZone: 'No such zone',
  thereIsNoHeatedZone: 'There is no heated zone of that number.',
});
