import { catalogue } from '../../catalogue.ts';

/** What formats/batchColumns.ts says. */
export const WORDS = catalogue({
  staysInItsTray: 'stays in its tray',
  halfUp: 'half up',
  allUp: 'all up',
  up: (exact: number) => `${exact}% up`,
  daysAfter: (days: number) => `${days} days after`,
  forThePot: 'for the pot',
  toGrowOn: 'to grow on',
});
