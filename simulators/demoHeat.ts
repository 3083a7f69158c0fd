import { simulateHours } from '../src/core/heat/simulate.ts';
import { coverOn } from '../src/core/heat/yearHours.ts';
import { USUAL_ZONE, type ZoneSpec } from '../src/core/heat/zone.ts';
import { Bench, weatherAt } from './bench/devices.ts';
import { DEMO_NURSERY, DEMO_OUTSIDE } from './demoBooks.ts';
import { trueDays } from './demoWeather.ts';

const inHouse = (plusDay_K: number, plusNight_K: number) => ({ plusDay_K, plusNight_K });

/** Heated zones of the demo's places, by the place's number there. Invented. */
export const DEMO_ZONES: readonly {
  readonly place: number;
  readonly device: string;
  readonly set_C: number;
  readonly drop_K: number;
  readonly spec: ZoneSpec;
}[] = [
  {
    place: 1,
    device: 'dark-chamber',
    drop_K: 0,
    set_C: 26,
    spec: {
      ...USUAL_ZONE,
      length_m: 1.3,
      width_m: 0.8,
      heater: { kind: 'mat', power_W: 150 },
      bed: { material: 'water', thickness_m: 0.006 },
      below: [{ material: 'foam', thickness_m: 0.05 }],
      air_m: 0.4,
      sides_m2K_W: 1.4,
      cover: { day: 'double', night: 'double' },
      around: inHouse(8, 8),
      sun_frac: 0,
      mostSet_C: 32,
    },
  },
  {
    place: 2,
    device: 'lit-chamber',
    drop_K: 2,
    set_C: 20,
    spec: {
      ...USUAL_ZONE,
      length_m: 1.8,
      width_m: 0.8,
      heater: { kind: 'mat', power_W: 180 },
      bed: { material: 'water', thickness_m: 0.006 },
      below: [{ material: 'foam', thickness_m: 0.05 }],
      air_m: 0.4,
      sides_m2K_W: 1,
      cover: { day: 'double', night: 'double' },
      around: inHouse(8, 8),
      sun_frac: 0.05,
    },
  },
  {
    place: 3,
    device: 'bench-1',
    drop_K: 3,
    set_C: 23,
    spec: {
      ...USUAL_ZONE,
      length_m: 6.4,
      width_m: 1.3,
      heater: { kind: 'cable', power_W: 1100 },
      below: [{ material: 'foam', thickness_m: 0.075 }],
      cover: { day: 'none', night: 'fleece' },
      around: inHouse(6, 5),
      sun_frac: 0.55,
    },
  },
  {
    place: 4,
    device: 'bench-2',
    drop_K: 5,
    set_C: 20,
    spec: {
      ...USUAL_ZONE,
      length_m: 7.4,
      width_m: 1.3,
      heater: { kind: 'cable', power_W: 1100 },
      below: [{ material: 'foam', thickness_m: 0.05 }],
      cover: { day: 'none', night: 'fleece' },
      around: inHouse(6, 5),
      sun_frac: 0.55,
      thermostat: { kind: 'pi', band_K: 3, reset_s: 5400, cycle_s: 1200 },
    },
  },
];

export const DEMO_SITE = {
  normals: DEMO_OUTSIDE,
  latitude_deg: DEMO_NURSERY.latitude_deg,
  utcOffset_min: 60,
  daily: (day: number) => trueDays().get(day) ?? null,
};

/** Made-up readings up to an instant: columns by role, ten minutes apart. */
export interface MadeUpReadings {
  readonly device: string;
  readonly at_ms: readonly number[];
  readonly columns: Readonly<Record<'medium' | 'bed' | 'air' | 'heater' | 'set', readonly number[]>>;
  readonly outside: readonly number[];
}

const TEN_MINUTES = 10;

/** The last days of every demo zone, by the benches themselves. */
export function demoReadings(end_ms: number, days: number): MadeUpReadings[] {
  return DEMO_ZONES.map((zone, i) => {
    const bench = new Bench(zone, DEMO_SITE, end_ms - days * 86_400_000, zone.set_C, i + 1);
    const at_ms: number[] = [];
    const columns = {
      medium: [] as number[],
      bed: [] as number[],
      air: [] as number[],
      heater: [] as number[],
      set: [] as number[],
    };
    const outside: number[] = [];
    for (let t = bench.at_ms + TEN_MINUTES * 60_000; t <= end_ms; t += TEN_MINUTES * 60_000) {
      const night = coverOn(weatherAt(t, DEMO_SITE).hour);
      bench.config = { ...bench.config, set_C: zone.set_C - (night ? zone.drop_K : 0) };
      const minutes = bench.runTo(t);
      const last = minutes.at(-1)!;
      at_ms.push(last.at_ms);
      columns.medium.push(last.medium);
      columns.bed.push(last.bed);
      columns.air.push(last.air);
      columns.set.push(last.set!);
      columns.heater.push(minutes.reduce((sum, m) => sum + m.heater, 0) / minutes.length);
      outside.push(last.outside);
    }
    return { device: zone.device, at_ms, columns, outside };
  });
}

/** The season before that, by the hour, as the model of the zone runs. */
export function demoSeasonHours(from_ms: number, end_ms: number): MadeUpReadings[] {
  const n = Math.floor((end_ms - from_ms) / 3_600_000);
  const at_ms = Array.from({ length: n }, (_, h) => from_ms + h * 3_600_000);
  const weather = at_ms.map((t) => weatherAt(t, DEMO_SITE));
  return DEMO_ZONES.map((zone) => {
    const set = weather.map((w) => zone.set_C - (coverOn(w.hour) ? zone.drop_K : 0));
    const outside = weather.map((w) => w.outside_C);
    const ran = simulateHours(
      zone.spec,
      {
        outside_C: outside,
        sun_W_m2: weather.map((w) => w.sun_W_m2),
        set_C: set,
        floor_C: weather.map((w) => w.floor_C),
        night: weather.map((w) => (coverOn(w.hour) ? 1 : 0)),
      },
      [zone.set_C, zone.set_C, zone.set_C],
    );
    const heater = Array.from(ran.energy_kWh, (e) => (1000 * e) / zone.spec.heater.power_W);
    return {
      device: zone.device,
      at_ms,
      outside,
      columns: { medium: [...ran.medium_C], bed: [...ran.bed_C], air: [...ran.air_C], heater, set },
    };
  });
}
