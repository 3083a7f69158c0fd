import { createRequire } from 'node:module';
import { ratesOf, networkOf } from '../src/core/heat/network.ts';
import { simulateHours } from '../src/core/heat/simulate.ts';
import { usualHours } from '../src/core/heat/yearHours.ts';
import { USUAL_ZONE, type ZoneSpec } from '../src/core/heat/zone.ts';
import { MONTH_days } from '../src/core/heat/yearHours.ts';
import type { FaultKind } from '../src/core/heat/watch.ts';
import type { HoursIn } from '../src/core/heat/simulate.ts';
import { DEMO_OUTSIDE } from '../simulators/demoBooks.ts';
import { figures, type Figures } from './form.ts';
import { oneNight } from '../src/core/heat/bench/nights.ts';

const { Solver } = createRequire(import.meta.url)('odex') as typeof import('odex');
const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1] ?? null;

/** A usual year by the hour. */
export function yearHours(): HoursIn {
  const months = MONTH_days.map((days, month) =>
    usualHours({ normals: DEMO_OUTSIDE, latitude_deg: 52.4, month, days, setDay_C: 20, setNight_C: 18 }),
  );
  const join = (key: keyof HoursIn) => Float64Array.from(months.flatMap((m) => Array.from(m[key])));
  return {
    outside_C: join('outside_C'),
    sun_W_m2: join('sun_W_m2'),
    set_C: join('set_C'),
    floor_C: join('floor_C'),
    night: join('night'),
  };
}

/** Zones the made-up nights are spent on: outside under film, in a house under fleece, a small mat in a house. */
export const NIGHT_ZONES: readonly ZoneSpec[] = [
  USUAL_ZONE,
  {
    ...USUAL_ZONE,
    length_m: 6,
    heater: { kind: 'cable', power_W: 1000 },
    cover: { day: 'none', night: 'fleece' },
    around: { plusDay_K: 5, plusNight_K: 4 },
    sun_frac: 0.6,
    below: [{ material: 'foam', thickness_m: 0.05 }],
  },
  {
    ...USUAL_ZONE,
    length_m: 1.2,
    width_m: 0.6,
    heater: { kind: 'mat', power_W: 100 },
    bed: { material: 'water', thickness_m: 0.006 },
    around: { plusDay_K: 8, plusNight_K: 8 },
    sun_frac: 0.3,
    below: [{ material: 'card', thickness_m: 0.01 }],
  },
];
const FAULTS: readonly FaultKind[] = [
  'sensor-out',
  'sensor-stuck',
  'heater-dead',
  'relay-stuck',
  'power-lost',
  'lid-open',
  'lid-shut',
  'readings-stopped',
];

/** Made-up nights shared over the faults, and as many without any. */
export function faultTable(nights: number) {
  const each = Math.ceil(nights / FAULTS.length);
  const faults = FAULTS.map((fault, f) => {
    const zones = NIGHT_ZONES.filter((zone) => fault !== 'lid-shut' || zone.cover.day !== 'none');
    const runs = Array.from({ length: each }, (_, i) =>
      oneNight({
        zone: zones[i % zones.length]!,
        seed: 1000 * f + i + 1,
        fault,
        hours: fault === 'lid-shut' ? 24 : 13,
      }),
    );
    const shown = runs.filter((r) => r.shown);
    const found = shown.flatMap((r) => r.foundAfter_min ?? []);
    const broke = shown.flatMap((r) => r.fromBreak_min ?? []);
    return {
      fault,
      nights: runs.length,
      couldShow: shown.length,
      found_percent: Math.round((1000 * found.length) / Math.max(1, shown.length)) / 10,
      median_min: median(found),
      worst_min: Math.max(...found),
      sinceBreak_median_min: median(broke),
      sinceBreak_worst_min: Math.max(...broke),
      falseAlarms: runs.reduce((sum, r) => sum + r.falseAlarms.length, 0),
    };
  });
  const quiet = Array.from({ length: each * 2 }, (_, i) =>
    oneNight({ zone: NIGHT_ZONES[i % NIGHT_ZONES.length]!, seed: 50_000 + i, fault: null, hours: 24 }),
  );
  const wrong = quiet.reduce((sum, r) => sum + r.falseAlarms.length, 0);
  return {
    faults,
    quiet: {
      days: quiet.length,
      falseAlarms: wrong,
      perZoneSeason_120days: Math.round((12_000 * wrong) / quiet.length) / 100,
    },
  };
}

/** The year by a general solver, the heater given by the hour as the fast path used it. */
export function yearByOde(zone: ZoneSpec, hours: HoursIn, heater_W: ArrayLike<number>): { medium_C: Float64Array } {
  const [day, night] = [zone.cover.day, zone.cover.night].map((cover) =>
    ratesOf(networkOf(zone, { cover, open: false })),
  );
  const medium_C = new Float64Array(hours.outside_C.length);
  let x = [15, 15, 15];
  const ode = new Solver(3);
  ode.relativeTolerance = ode.absoluteTolerance = 1e-7;
  const solver = (h: number) => {
    const { a, b } = hours.night[h]! > 0 ? night! : day!;
    const plus = hours.night[h]! > 0 ? zone.around.plusNight_K : zone.around.plusDay_K;
    const u = [heater_W[h]!, hours.sun_W_m2[h]!, hours.outside_C[h]! + plus, hours.floor_C[h]!];
    const drive = [0, 1, 2].map((i) => u.reduce((sum, value, k) => sum + b[i * 4 + k]! * value, 0));
    return (_t: number, y: number[]) =>
      [0, 1, 2].map((i) => a[i * 3]! * y[0]! + a[i * 3 + 1]! * y[1]! + a[i * 3 + 2]! * y[2]! + drive[i]!);
  };
  for (let h = 0; h < hours.outside_C.length; h++) {
    x = ode.solve(solver(h), 0, x, 3600).y;
    medium_C[h] = x[1]!;
  }
  return { medium_C };
}

export default async function heat(): Promise<Figures> {
  const hours = yearHours();
  const zones = Array.from({ length: 12 }, (_, i) => ({ ...USUAL_ZONE, length_m: 1 + i / 4 }));
  simulateHours(zones[0]!, hours, [15, 15, 15]);
  const runs = [1, 2, 3].map(() => {
    const t = performance.now();
    for (const zone of zones) simulateHours(zone, hours, [15, 15, 15]);
    return performance.now() - t;
  });
  const year_ms = median(runs)!;
  const off = { ...hours, set_C: hours.set_C.length ? new Float64Array(hours.set_C.length).fill(NaN) : hours.set_C };
  const t0 = performance.now();
  yearByOde(USUAL_ZONE, off, new Float64Array(hours.outside_C.length));
  const ode_ms = performance.now() - t0;
  const t1 = performance.now();
  simulateHours(USUAL_ZONE, off, [15, 15, 15]);
  const one_ms = performance.now() - t1;
  const method =
    '12 zones over a usual year by the minute, median of 3 runs; made-up nights of simulators/bench, seeds fixed';
  const nested = {
    year: {
      zones: 12,
      minutes: 525_600,
      ms: Math.round(year_ms),
      target_ms: 250,
      odeOneZone_ms: Math.round(ode_ms),
      ratioOdeToExact: Math.round(ode_ms / one_ms),
    },
    faults: faultTable(Number(process.env['NIGHTS'] ?? 1000)),
  };
  const found = Object.fromEntries(FAULTS.map((fault) => [`faults faults ${fault} found_percent`, '>= 99']));
  return figures('heat', method, nested, {
    'year ms': '<= 250',
    'faults faults sensor-out worst_min': '<= 15',
    'faults faults heater-dead worst_min': '<= 45',
    'faults faults power-lost worst_min': '<= 3',
    'faults quiet perZoneSeason_120days': '< 1',
    ...found,
  });
}
