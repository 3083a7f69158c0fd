import { catalogue } from '../../catalogue.ts';

/** What ui/kit/DataTable.tsx says. */
export const WORDS = catalogue({
  row: 'row',
});
