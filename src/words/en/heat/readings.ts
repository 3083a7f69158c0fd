import { catalogue } from '../../catalogue.ts';

/** What db/heat/readings.ts says. */
export const WORDS = catalogue({
  dropTable: (name: string) => `DROP TABLE ${name}`,
});
