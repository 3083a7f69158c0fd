import type { HandReading, ZoneStatus } from '../../contracts/heat/heat.ts';
import { readHandReadings } from '../../db/heat/handReadings.ts';
import { readStatus } from '../../db/heat/heat.ts';
import type { Db } from '../../db/sql.ts';
import type { HeatContext, ZoneNow } from './context.ts';

/** Readings by hand shown of each zone. */
const SHOWN = 8;

/** What is known of every zone now: as its controller last said or, without one, as it was last read by hand. */
export async function statusNow(
  db: Db,
  c: HeatContext,
): Promise<{ status: Map<number, ZoneStatus>; hand: readonly HandReading[] }> {
  const [heard, hand] = await Promise.all([readStatus(db), readHandReadings(db, c.season.now.instant_ms, SHOWN)]);
  const status = new Map<number, ZoneStatus>();
  for (const z of c.zones) {
    const { id, device } = z.zone;
    const one = device === null ? statusByHand(c, z, hand) : heard.get(id);
    if (one) status.set(id, one);
  }
  return { status, hand };
}

/** A zone as last read by hand; what was not read is taken from what is usual around it. */
function statusByHand(c: HeatContext, z: ZoneNow, hand: readonly HandReading[]): ZoneStatus | undefined {
  const last = hand.find((r) => r.zoneId === z.zone.id);
  if (!last) return undefined;
  const { plusDay_K, plusNight_K } = z.zone.spec.around;
  const around_C = c.night ? c.usualNight_C + plusNight_K : c.usualDay_C + plusDay_K;
  const medium_C = last.medium_C ?? last.air_C!;
  return {
    at_ms: last.at_ms,
    x: [medium_C, medium_C, last.air_C ?? around_C],
    read: { medium: last.medium_C, bed: null, air: last.air_C },
    around_C,
    outside_C: null,
    duty: 0,
    set_C: z.setPoint.set_C,
    believed: true,
    mains: null,
    night: c.night,
    floor_C: c.floor_C,
    safeDuty: null,
  };
}
