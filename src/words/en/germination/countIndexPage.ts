import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page germination/count/index. */
export const WORDS = catalogue({
  countAgain: 'count again',
  likelyDead: 'likely dead',
  onTime: 'on time',
  enoughUp: 'enough up',
  tooSoon: 'too soon',
  noPlace: 'no place',
  comingUp: 'Coming up',
  nothingIsOnTheHeat: 'Nothing is on the heat.',
  batchesOnTheHeatThose: (rowsCount: string | number) => `${rowsCount} batches on the heat, those in trouble first.`,
  batch: 'Batch',
  verdict: 'Verdict',
  up: 'Up',
  expectedToday: 'Expected today',
  counted: 'Counted',
  where: 'Where',
  count: 'Count',
  of: (up_count: Part, sown: Part) => rich`${up_count} of ${sown}`,
  notYet: 'not yet',
  stretching: 'stretching',
  count2: (name: string | number) => `Count ${name}`,
});
