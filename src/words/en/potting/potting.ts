import { catalogue } from '../../catalogue.ts';

/** What db/potting/potting.ts says. */
export const WORDS = catalogue({
  idVersionOnDayText: 'id, version, on_day::text AS on_day, people, lines, closed',
  forUpdate: 'FOR UPDATE',
});
