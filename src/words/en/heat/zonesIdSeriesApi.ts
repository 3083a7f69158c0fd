import { catalogue } from '../../catalogue.ts';

/** What pages/api/heat/zones/[id]/series.ts says. */
export const WORDS = catalogue({
  epochMilliseconds: 'epoch milliseconds',
  afterFromAtMostSix: 'after from, at most six years',
  noSuchZone: 'No such zone',
  thereIsNoHeatedZone: 'There is no heated zone of that number.',
});
