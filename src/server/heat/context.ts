import { plainCropOf } from '../../core/books/cropOf.ts';
import { isOver } from '../../core/batch/event.ts';
import { localTimeAt } from '../../core/calendar/localDay.ts';
import { harmBelow_C } from '../../core/heat/harm.ts';
import { setPointNow, type Override, type SetPoint } from '../../core/heat/setPoint.ts';
import { watched, type Watched } from '../../core/heat/watch.ts';
import { coverOn } from '../../core/heat/yearHours.ts';
import type { ZoneSpec } from '../../core/heat/zone.ts';
import { temperatureOn } from '../../core/plan/schedule/placeClimate.ts';
import type { HeatSettings, SensorRecord, ZoneRecord } from '../../contracts/heat/heat.ts';
import { readHeatSettings, readOverrides, readSensors, readZones } from '../../db/heat/heat.ts';
import type { Db } from '../../db/sql.ts';
import { log } from '../log.ts';
import { readSeason } from '../plan/season.ts';
import { type BatchView, type Season } from '../../core/plan/season.ts';
import { Remembered } from '../../core/numerics/remembered.ts';

/** A zone with all that decides what it should do now. */
export interface ZoneNow {
  readonly zone: ZoneRecord;
  readonly name: string;
  readonly watched: Watched;
  readonly sensors: readonly SensorRecord[];
  readonly standing: readonly BatchView[];
  readonly setPoint: SetPoint;
  readonly override: (Override & { id: number }) | null;
}

export interface HeatContext {
  readonly season: Season;
  readonly zones: readonly ZoneNow[];
  /** Zones that cannot be worked out, with the reason. */
  readonly faults: readonly { readonly placeId: number; readonly why: string }[];
  readonly outsideSensor: SensorRecord | null;
  readonly settings: HeatSettings;
  readonly night: boolean;
  readonly hour: number;
  /** Usual outside of today, and the floor's temperature by it. */
  readonly usualDay_C: number;
  readonly usualNight_C: number;
  readonly floor_C: number;
}

/** Air and medium above this hurt seedlings. Common practice, no source. */
export const HOT_C = 33;

/** The zone as its own nights say it is, when that was learned. */
export function specOf(zone: ZoneRecord): ZoneSpec {
  if (!zone.fitted) return zone.spec;
  const { loss_factor, capacity_factor } = zone.fitted;
  return { ...zone.spec, fit: { loss_factor, capacity_factor } };
}

/** Everything heat is decided by, read now. */
export async function readHeat(db: Db): Promise<HeatContext> {
  const season = await readSeason();
  const { now, world, tables } = season;
  const [zones, sensors, overrides, settings] = await Promise.all([
    readZones(db),
    readSensors(db),
    readOverrides(db, now.instant_ms),
    readHeatSettings(db),
  ]);
  const { minute } = localTimeAt(now.instant_ms, world.nursery.timeZone);
  const hour = minute / 60;
  const night = coverOn(hour);
  const usual = tables.outside ? temperatureOn(tables.outside, now.today) : { day_C: 14, night_C: 6 };
  const faults: { placeId: number; why: string }[] = [];
  const list = zones.flatMap((zone): ZoneNow[] => {
    try {
      return [zoneNow(zone)];
    } catch (error) {
      // What is wrong with one zone leaves the watch over the others.
      faults.push({ placeId: zone.placeId, why: sayOnce(zone.id, error) });
      return [];
    }
  });
  function zoneNow(zone: ZoneRecord): ZoneNow {
    const place = world.places.find((p) => p.id === zone.placeId)!;
    const standing = season.batches.filter((b) => b.state.placeId === zone.placeId && !isOver(b.state.phase));
    const harm_C = Math.max(-20, ...standing.map((b) => harmBelow_C(plainCropOf(world, b.batch))));
    const spec = specOf(zone);
    const key = JSON.stringify([spec, harm_C]);
    const own = overrides.filter(
      (o) => o.zoneId === zone.id && o.from_ms <= now.instant_ms && now.instant_ms < o.until_ms,
    );
    return {
      zone,
      name: place.name,
      watched: watchedZones.get(key, () => watched(spec, { hot_C: HOT_C, harm_C })),
      sensors: sensors.filter((s) => s.zoneId === zone.id),
      standing,
      override: own.at(-1) ?? null,
      setPoint: setPointNow({
        place,
        today: now.today,
        night,
        now_ms: now.instant_ms,
        overrides: own,
        most_C: zone.spec.mostSet_C,
        batches: standing.map((b) => b.name),
      }),
    };
  }
  return {
    season,
    faults,
    zones: list,
    outsideSensor: sensors.find((s) => s.role === 'outside') ?? null,
    settings,
    night,
    hour,
    usualDay_C: usual.day_C,
    usualNight_C: usual.night_C,
    floor_C: (usual.day_C + usual.night_C) / 2,
  };
}

const said = new Map<number, string>();

/** The reason a zone cannot be worked out; logged when it is new. */
function sayOnce(zoneId: number, error: unknown): string {
  const why = error instanceof Error ? error.message : String(error);
  if (said.get(zoneId) !== why) log.error({ zone: zoneId, err: why }, 'a zone cannot be worked out');
  said.set(zoneId, why);
  return why;
}

/** Matrices of a zone are worked out once for each way it is built. */
const watchedZones = new Remembered<Watched>(200);
