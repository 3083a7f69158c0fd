import { ALARMS, WORST_FIRST } from '../../core/heat/alarms.ts';
import type { AlarmRecord } from '../../contracts/heat/heat.ts';
import { readOpenAlarms } from '../../db/heat/alarms.ts';
import { readStatus, readZones } from '../../db/heat/heat.ts';
import { database } from '../database.ts';
import type { Season } from '../../core/plan/season.ts';

/** A reading older than this is not shown as what there is now. */
const OLD_ms = 10 * 60_000;

/** What every page says of the heat: alarms in the house and outside as last measured. */
export async function heatFrame(season: Season): Promise<{
  alarms: readonly AlarmRecord[];
  outside_C: number | null;
  zones: readonly { readonly name: string; readonly medium_C: number | null; readonly believed: boolean }[];
  worst: { href: string; words: string } | null;
}> {
  const db = database();
  const [alarms, status, zones] = await Promise.all([readOpenAlarms(db), readStatus(db), readZones(db)]);
  const newest = [...status.values()].filter((s) => s.outside_C !== null).sort((a, b) => b.at_ms - a.at_ms)[0];
  const fresh = newest && Math.abs(season.now.instant_ms - newest.at_ms) < 2 * 3_600_000;
  const [worst] = alarms
    .filter((a) => a.taken_ms === null)
    .sort((a, b) => WORST_FIRST.indexOf(a.kind) - WORST_FIRST.indexOf(b.kind));
  const place = zones.find((z) => z.id === worst?.zoneId)?.placeId;
  const name = season.world.places.find((p) => p.id === place)?.name;
  const named = (placeId: number) => season.world.places.find((p) => p.id === placeId)?.name ?? '';
  return {
    alarms,
    zones: zones.flatMap((z) => {
      const s = status.get(z.id);
      // An old figure is not what it is now.
      const now = s !== undefined && season.now.instant_ms - s.at_ms < OLD_ms;
      return s
        ? [{ name: named(z.placeId), medium_C: now && s.read.medium !== null ? s.x[1] : null, believed: s.believed }]
        : [];
    }),
    outside_C: fresh ? newest.outside_C : null,
    worst: worst
      ? {
          href: worst.zoneId === null ? '/heat/alarms' : `/heat?zone=${worst.zoneId}`,
          words: `${name ? `${name}: ` : ''}${ALARMS[worst.kind].name.toLowerCase()}`,
        }
      : null,
  };
}
