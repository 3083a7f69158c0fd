import { catalogue } from '../../catalogue.ts';

/** What db/plan/scenarios.ts says. */
export const WORDS = catalogue({
  idVersionNameMadeOn: 'id, version, name, made_on::text AS "madeOn", data',
});
