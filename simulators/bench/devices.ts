import { connectAsync, type MqttClient } from 'mqtt';
import type { BreakInput, DeviceConfig } from '../../src/contracts/heat/heat.ts';
import { dayLength_h } from '../../src/core/weather/sun.ts';
import { hourly_C, sun_W_m2 } from '../../src/core/weather/hourly.ts';
import { unbelievable } from '../../src/core/heat/sample.ts';
import { control, CONTROL_START, type ControlState } from '../../src/core/heat/thermostat.ts';
import { coverOn } from '../../src/core/heat/yearHours.ts';
import type { ZoneSpec } from '../../src/core/heat/zone.ts';
import { seededRandom } from '../../src/core/numerics/random.ts';
import type { MonthNormal } from '../../src/core/plan/schedule/outsideClimate.ts';
import { readOf, run, truth, type Broken, type Truth } from '../../src/core/heat/bench/physics.ts';

export interface BenchToRun {
  readonly device: string;
  readonly spec: ZoneSpec;
  /** Set-point by the hour of the day, for the hours before the first order comes. */
  readonly setAt: (hour: number) => number;
}

/** The made-up weather: each day its own lowest and highest round the month's usual, the same whenever it is asked. */
export function weatherAt(
  at_ms: number,
  site: {
    readonly normals: readonly MonthNormal[];
    readonly latitude_deg: number;
    readonly utcOffset_min: number;
    /** Days whose weather is given; others are made up. */
    readonly daily?: (
      day: number,
    ) => { readonly least_C: number; readonly most_C: number; readonly clear: number } | null;
  },
) {
  const local = new Date(at_ms + site.utcOffset_min * 60_000);
  const day = Math.floor(local.getTime() / 86_400_000);
  const ofDay = (d: number) => {
    const given = site.daily?.(d);
    if (given) return given;
    const random = seededRandom(d * 31 + 7);
    const date = new Date(d * 86_400_000);
    const month = date.getUTCMonth();
    const usual = site.normals[month]!;
    const other = site.normals[(month + (date.getUTCDate() > 15 ? 1 : 11)) % 12]!;
    const share = Math.abs(date.getUTCDate() - 15) / 30;
    const clear = random();
    const drift = 5 * (random() - 0.5);
    return {
      least_C: usual.night_C * (1 - share) + other.night_C * share + drift - 2.5 * (clear - 0.4),
      most_C: usual.day_C * (1 - share) + other.day_C * share + drift + 3 * (clear - 0.4),
      clear,
    };
  };
  const today = ofDay(day);
  const hour = local.getUTCHours() + local.getUTCMinutes() / 60 + local.getUTCSeconds() / 3600;
  const start = Date.UTC(local.getUTCFullYear(), 0, 1);
  const dayOfYear = Math.floor((local.getTime() - start) / 86_400_000) + 1;
  const daylight = dayLength_h(site.latitude_deg, dayOfYear);
  return {
    hour,
    outside_C: hourly_C({
      hour,
      least_C: today.least_C,
      most_C: today.most_C,
      dayLength_h: daylight,
      nextLeast_C: hour > 12 ? ofDay(day + 1).least_C : today.least_C,
    }),
    sun_W_m2: sun_W_m2(site.latitude_deg, Math.min(366, dayOfYear), 0.1 + 0.7 * today.clear, hour),
    clear: today.clear,
    floor_C: (today.least_C + today.most_C) / 2,
  };
}

type Site = Parameters<typeof weatherAt>[1];

/** A bench with its controller, as the device contract has it, but for the wire. */
export class Bench {
  readonly device: string;
  readonly spec: ZoneSpec;
  readonly #truth: Truth;
  readonly #site: Site;
  #control: ControlState = CONTROL_START;
  config: Pick<DeviceConfig, 'set_C' | 'safeDuty' | 'believe' | 'cutOut_C' | 'offset_K' | 'thermostat'>;
  broken: BreakInput = {};
  at_ms: number;
  #stuck_C: number | null = null;
  #same = 0;
  #last_C: number | null = null;

  constructor(bench: Pick<BenchToRun, 'device' | 'spec'>, site: Site, start_ms: number, set_C: number, seed: number) {
    this.device = bench.device;
    this.spec = bench.spec;
    this.#site = site;
    this.#truth = truth(bench.spec, seed, set_C);
    this.#truth.T.fill(set_C + 3, 0, 3);
    this.at_ms = start_ms;
    this.config = {
      set_C,
      safeDuty: 0.3,
      believe: true,
      cutOut_C: bench.spec.cutOut_C,
      offset_K: 0,
      thermostat: bench.spec.thermostat,
    };
  }

  /** Runs on to an instant, minute by minute. @returns what it would send for each minute */
  runTo(to_ms: number): {
    at_ms: number;
    medium: number;
    bed: number;
    air: number;
    outside: number;
    heater: number;
    set: number | null;
    mains: boolean;
  }[] {
    const out = [];
    // A clock put back, or far on: the bench is simply there, nothing is made up for the time between.
    if (to_ms < this.at_ms || to_ms - this.at_ms > 36 * 3_600_000) this.at_ms = to_ms - 60_000;
    while (to_ms - this.at_ms >= 60_000) {
      this.at_ms += 60_000;
      const weather = weatherAt(this.at_ms, this.#site);
      const night = coverOn(weather.hour);
      const { around } = this.spec;
      const surroundings = {
        outside_C: weather.outside_C,
        around_C: weather.outside_C + (night ? around.plusNight_K : around.plusDay_K),
        floor_C: weather.floor_C,
        sun_W_m2: weather.sun_W_m2,
        clear: weather.clear,
        night,
      };
      const broken: Broken = this.broken;
      if (broken.sensorStuck !== true) this.#stuck_C = null;
      const read = readOf(this.#truth, [0, 0, 0], this.#stuck_C);
      if (this.broken.inIce) read.medium_C = Math.round(16 * (0.31 + 0.04 * Math.sin(this.at_ms / 50_000))) / 16;
      if (broken.sensorStuck) this.#stuck_C ??= read.medium_C;
      const measured =
        this.spec.sensor === 'medium' ? read.medium_C : this.spec.sensor === 'bed' ? read.bed_C : read.air_C;
      // The controller's own sense: the very same figure for an hour is not believed, nor what is no temperature.
      this.#same = measured === this.#last_C ? this.#same + 1 : 0;
      this.#last_C = measured;
      const own = this.#same < 60 && unbelievable(measured) === null;
      const { set_C, safeDuty, believe, cutOut_C, offset_K, thermostat } = this.config;
      const trusted = believe && own && !this.broken.inIce;
      this.#control = control(thermostat, this.#control, {
        measured_C: trusted ? measured - offset_K : null,
        set_C,
        dt_s: 60,
        cutOut_C,
        mostDuty: trusted ? 1 : safeDuty,
      });
      run(this.#truth, 60, this.#control.on, surroundings, broken);
      out.push({
        at_ms: this.at_ms,
        medium: read.medium_C,
        bed: read.bed_C,
        air: read.air_C,
        outside: Math.round(16 * weather.outside_C) / 16,
        heater: this.#control.on && broken.powerOff !== true ? 1 : 0,
        set: set_C,
        mains: broken.powerOff !== true,
      });
    }
    return out;
  }
}

export interface BenchesOptions {
  readonly url: string;
  readonly user: string;
  readonly password: string;
  readonly benches: readonly BenchToRun[];
  readonly site: Site;
  /** The application's now. */
  readonly now_ms: () => number;
}

/** Hours run before the first is sent, so that the bench is as it would be. */
const WARM_h = 24;
const REAL_STEP_ms = 1_000;
/** Most minutes sent in one go: a fast clock sends what a slow wire could carry. */
const MOST_MINUTES = 90;

/** Simulated controllers of the demo: each a client of the broker with its last will, as docs/DEVICES.md has it. */
export async function startBenches(options: BenchesOptions): Promise<() => Promise<void>> {
  const clients: MqttClient[] = [];
  let seq = 0;
  const benches = await Promise.all(
    options.benches.map(async (toRun, i) => {
      const now = options.now_ms();
      const hourAt = (t: number) => weatherAt(t, options.site).hour;
      const bench = new Bench(
        toRun,
        options.site,
        now - WARM_h * 3_600_000,
        toRun.setAt(hourAt(now - WARM_h * 3_600_000)),
        i + 1,
      );
      for (let h = WARM_h - 1; h >= 1; h--) {
        bench.config = { ...bench.config, set_C: toRun.setAt(hourAt(now - h * 3_600_000)) };
        bench.runTo(now - h * 3_600_000);
      }
      const topic = `crook/1/${toRun.device}`;
      const client = await connectAsync(options.url, {
        protocolVersion: 4,
        clientId: toRun.device,
        username: options.user,
        password: options.password,
        reconnectPeriod: 1_000,
        will: {
          topic: `${topic}/state`,
          payload: Buffer.from(JSON.stringify({ online: false })),
          qos: 1,
          retain: true,
        },
      });
      clients.push(client);
      client.on('message', (to, payload) => {
        try {
          const told: unknown = JSON.parse(payload.toString());
          if (to.endsWith('/config')) bench.config = told as DeviceConfig;
          else bench.broken = { ...bench.broken, ...(told as BreakInput) };
        } catch {
          // What cannot be read changes nothing: the last safe set-point stays.
        }
      });
      await client.subscribeAsync([`${topic}/config`, `${topic}/break`], { qos: 1 });
      await client.publishAsync(`${topic}/state`, JSON.stringify({ online: true }), { qos: 1, retain: true });
      return { bench, client, topic };
    }),
  );
  const timer = setInterval(() => {
    const now = options.now_ms();
    for (const { bench, client, topic } of benches) {
      for (const r of bench.runTo(now).slice(-MOST_MINUTES)) {
        // Without mains only the battery's minute is heard, then nothing.
        if (bench.broken.silent) continue;
        const { at_ms, mains, ...values } = r;
        void client
          .publishAsync(
            `${topic}/readings`,
            JSON.stringify({ seq: seq++, at: new Date(at_ms).toISOString(), values, mains, battery: 0.92 }),
            { qos: 1 },
          )
          .catch(() => undefined);
      }
    }
  }, REAL_STEP_ms);
  return async () => {
    clearInterval(timer);
    await Promise.all(clients.map((c) => c.endAsync(true)));
  };
}
