import { catalogue } from '../../catalogue.ts';

/** What core/batch/plants.ts says. */
export const WORDS = catalogue({
  expectedOfToBeSown: (sown_count: number) => `expected of ${sown_count} to be sown`,
  expectedOfSownCountedUp: (sown_count: number, inHand_count: number) =>
    `expected of ${sown_count} sown: ${inHand_count} counted up {day}`,
  countedDayOfSown: (sown_count: number) => `counted {day}, of ${sown_count} sown`,
  comeAsPlugsDay: 'come as plugs {day}',
  pottedDay: 'potted {day}',
  plantedOutDay: 'planted out {day}',
  expectedOfSownNotCounted: (sown_count: number) => `expected of ${sown_count} sown; not counted yet`,
});
