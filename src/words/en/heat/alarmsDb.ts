import { catalogue } from '../../catalogue.ts';

/** What db/heat/alarms.ts says. */
export const WORDS = catalogue({
  idZoneIdKindRaised: 'id, zone_id, kind, raised_at, cleared_at, taken_at, taken_by, sounded_at, evidence',
});
