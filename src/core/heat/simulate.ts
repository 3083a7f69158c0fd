import {
  AIR,
  AROUND,
  BED,
  FLOOR,
  HEATER,
  MEDIUM,
  networkOf,
  stepOf,
  SUN,
  ZONE_INPUTS,
  type ZoneMode,
} from './network.ts';
import type { ZoneSpec } from './zone.ts';

/** What a zone goes through, an entry an hour. */
export interface HoursIn {
  readonly outside_C: ArrayLike<number>;
  /** Sun on the flat outside, W/m2. */
  readonly sun_W_m2: ArrayLike<number>;
  /** Set-point; NaN = off. */
  readonly set_C: ArrayLike<number>;
  readonly floor_C: ArrayLike<number>;
  /** 1 while the night's cover is on. */
  readonly night: ArrayLike<number>;
}

export interface SimulatedHours {
  /** kWh the heater took each hour. */
  readonly energy_kWh: Float64Array;
  /** At the end of each hour. */
  readonly bed_C: Float64Array;
  readonly medium_C: Float64Array;
  readonly air_C: Float64Array;
  /** Lowest and highest of the medium over all. */
  readonly least_C: number;
  readonly most_C: number;
  /** State at the end. */
  readonly x: readonly [number, number, number];
}

const MINUTES = 60;

/** Bed, medium, air, lowest and highest of the medium, minutes on, heater on (1) or off, minutes it has been so, then PI. */
const BED_C = 0;
const MEDIUM_C = 1;
const AIR_C = 2;
const LEAST = 3;
const MOST = 4;
const ON_min = 5;
const ON = 6;
const SINCE_min = 7;
const SUM_Ks = 8;
const SHARE = 9;
const CYCLE_s = 10;

/** A thermostat in plain numbers. */
interface Control {
  readonly onOff: boolean;
  readonly sensor: number;
  readonly cutOut_C: number;
  readonly half_K: number;
  readonly minOn_min: number;
  readonly minOff_min: number;
  readonly band_K: number;
  readonly reset_s: number;
  readonly cycle_s: number;
}

/**
 * An hour of a thermostat. Plain numbers and branches: this runs half a million times a year and zone.
 * @param g what is given to the nodes each minute with the heater off (0-2) and on (3-5)
 * @param set_C NaN = off
 */
function hour(s: Float64Array, phi: Float64Array, g: Float64Array, set_C: number, c: Control): void {
  const p00 = phi[0]!;
  const p01 = phi[1]!;
  const p02 = phi[2]!;
  const p10 = phi[3]!;
  const p11 = phi[4]!;
  const p12 = phi[5]!;
  const p20 = phi[6]!;
  const p21 = phi[7]!;
  const p22 = phi[8]!;
  const { sensor, cutOut_C, onOff, minOn_min, minOff_min } = c;
  const off = Number.isNaN(set_C);
  const off0 = g[0]!;
  const off1 = g[1]!;
  const off2 = g[2]!;
  const on0 = g[3]!;
  const on1 = g[4]!;
  const on2 = g[5]!;
  const upper = set_C + c.half_K;
  const lower = set_C - c.half_K;
  let bed = s[BED_C]!;
  let medium = s[MEDIUM_C]!;
  let air = s[AIR_C]!;
  let least = s[LEAST]!;
  let most = s[MOST]!;
  let on = s[ON]! > 0;
  let since = s[SINCE_min]!;
  let sum = s[SUM_Ks]!;
  let share = s[SHARE]!;
  let cycle = s[CYCLE_s]!;
  let minutesOn = 0;
  for (let m = 0; m < MINUTES; m++) {
    const measured = sensor === MEDIUM_C ? medium : sensor === BED_C ? bed : air;
    let next = false;
    if (measured >= cutOut_C || off) share = 0;
    else if (onOff) {
      if (on) next = measured < upper || since < minOn_min;
      else next = measured < lower && since >= minOff_min;
    } else {
      const error = set_C - measured;
      const grown = sum + error * 60;
      const raw = error / c.band_K + grown / (c.band_K * c.reset_s);
      if (raw <= 1 && raw >= 0) sum = grown;
      cycle += 60;
      if (cycle >= c.cycle_s || share === 0) {
        cycle = 0;
        share = raw > 1 ? 1 : raw < 0 ? 0 : raw;
      }
      next = cycle < share * c.cycle_s;
    }
    since = next === on ? since + 1 : 1;
    on = next;
    let b = p00 * bed + p01 * medium + p02 * air;
    let d = p10 * bed + p11 * medium + p12 * air;
    let a = p20 * bed + p21 * medium + p22 * air;
    if (on) {
      minutesOn++;
      b += on0;
      d += on1;
      a += on2;
    } else {
      b += off0;
      d += off1;
      a += off2;
    }
    bed = b;
    medium = d;
    air = a;
    if (d < least) least = d;
    if (d > most) most = d;
  }
  s[BED_C] = bed;
  s[MEDIUM_C] = medium;
  s[AIR_C] = air;
  s[LEAST] = least;
  s[MOST] = most;
  s[ON_min] = minutesOn;
  s[ON] = on ? 1 : 0;
  s[SINCE_min] = since;
  s[SUM_Ks] = sum;
  s[SHARE] = share;
  s[CYCLE_s] = cycle;
}

/**
 * A zone with its thermostat, minute by minute, exactly between the minutes. What is round the zone and the sun are held
 * over each hour; the thermostat looks once a minute.
 * @param start_C bed, medium and air at the start
 * @throws RangeError when the columns are not of one length, or the zone cannot be built
 * @accuracy as `control` and `advance` step by step (tested to 1e-9 K)
 */
export function simulateHours(
  zone: ZoneSpec,
  hours: HoursIn,
  start_C: readonly [number, number, number],
): SimulatedHours {
  const n = hours.outside_C.length;
  for (const column of [hours.sun_W_m2, hours.set_C, hours.floor_C, hours.night])
    if (column.length !== n) throw new RangeError(`an hour is missing: ${column.length} of ${n}`);
  const steps = [zone.cover.day, zone.cover.night].map((cover) => stepOf(networkOf(zone, { cover, open: false }), 60));
  const energy_kWh = new Float64Array(n);
  const [bed_C, medium_C, air_C] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
  const { thermostat, cutOut_C } = zone;
  const power_W = zone.heater.power_W;
  const onOff = thermostat.kind === 'on-off';
  const c: Control = {
    onOff,
    sensor: { bed: BED_C, medium: MEDIUM_C, air: AIR_C }[zone.sensor],
    cutOut_C,
    half_K: onOff ? thermostat.differential_K / 2 : 0,
    minOn_min: onOff ? thermostat.minOn_s / 60 : 0,
    minOff_min: onOff ? thermostat.minOff_s / 60 : 0,
    band_K: onOff ? 1 : thermostat.band_K,
    reset_s: onOff ? 1 : thermostat.reset_s,
    cycle_s: onOff ? 1 : thermostat.cycle_s,
  };
  const s = Float64Array.of(...start_C, Infinity, -Infinity, 0, 0, 100_000, 0, 0, 0);
  const g = new Float64Array(6);
  for (let h = 0; h < n; h++) {
    const night = hours.night[h]! > 0;
    const { phi, gamma } = steps[night ? 1 : 0]!;
    const around = hours.outside_C[h]! + (night ? zone.around.plusNight_K : zone.around.plusDay_K);
    for (const node of [BED, MEDIUM, AIR]) {
      const at = node * ZONE_INPUTS;
      g[node] =
        gamma[at + SUN]! * hours.sun_W_m2[h]! + gamma[at + AROUND]! * around + gamma[at + FLOOR]! * hours.floor_C[h]!;
      g[3 + node] = g[node]! + gamma[at + HEATER]! * power_W;
    }
    hour(s, phi, g, hours.set_C[h]!, c);
    energy_kWh[h] = (power_W * s[ON_min]!) / 60_000;
    bed_C[h] = s[BED_C]!;
    medium_C[h] = s[MEDIUM_C]!;
    air_C[h] = s[AIR_C]!;
  }
  return {
    energy_kWh,
    bed_C,
    medium_C,
    air_C,
    least_C: s[LEAST]!,
    most_C: s[MOST]!,
    x: [s[BED_C]!, s[MEDIUM_C]!, s[AIR_C]!],
  };
}

/** How a zone stands by the hour when nobody has opened it. */
export function modeAt(zone: ZoneSpec, night: boolean, open = false): ZoneMode {
  return { cover: night ? zone.cover.night : zone.cover.day, open };
}
