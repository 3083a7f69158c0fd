import { catalogue } from '../../catalogue.ts';

/** What db/batch/ledger.ts says. */
export const WORDS = catalogue({
  orderByERecordedAt: (way: string, way2: string) => `ORDER BY e.recorded_at ${way}, e.id ${way2}`,
});
