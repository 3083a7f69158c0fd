import { catalogue } from '../catalogue.ts';

/** Words of every table that is searched and sorted. */
export const TABLE = catalogue({
  find: 'Find in the table',
  all: 'all',
  columns: 'Columns',
  csv: 'Save as CSV',
  actions: 'What can be done',
  empty: 'There is nothing in it yet.',
  none: 'Nothing fits. Take a filter away, or look for less.',
  someOf: (shown: number, all: number) => `${shown.toLocaleString('en-GB')} of ${all.toLocaleString('en-GB')} rows`,
});
