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
  let [bed, medium, air] = start_C;
  let least_C = Infinity;
  let most_C = -Infinity;
  const { thermostat, cutOut_C, sensor } = zone;
  const power_W = zone.heater.power_W;
  const onOff = thermostat.kind === 'on-off';
  const half = onOff ? thermostat.differential_K / 2 : 0;
  const minOn = onOff ? thermostat.minOn_s / 60 : 0;
  const minOff = onOff ? thermostat.minOff_s / 60 : 0;
  // Numbers, not booleans and words, in the loop that runs half a million times a year.
  const byBed = sensor === 'bed' ? 1 : 0;
  const byMedium = sensor === 'medium' ? 1 : 0;
  const byAir = sensor === 'air' ? 1 : 0;
  const band_K = onOff ? 1 : thermostat.band_K;
  const reset_s = onOff ? 1 : thermostat.reset_s;
  const cycle_s = onOff ? 1 : thermostat.cycle_s;
  let on = 0;
  let since = 100_000;
  let sum = 0;
  let share = 0;
  let cycle = 0;
  for (let h = 0; h < n; h++) {
    const night = hours.night[h]! > 0;
    const { phi, gamma } = steps[night ? 1 : 0]!;
    const [p00, p01, p02] = [phi[0]!, phi[1]!, phi[2]!];
    const [p10, p11, p12] = [phi[3]!, phi[4]!, phi[5]!];
    const [p20, p21, p22] = [phi[6]!, phi[7]!, phi[8]!];
    const around = hours.outside_C[h]! + (night ? zone.around.plusNight_K : zone.around.plusDay_K);
    const sun = hours.sun_W_m2[h]!;
    const floor = hours.floor_C[h]!;
    const fixed = (i: number) =>
      gamma[i * ZONE_INPUTS + SUN]! * sun +
      gamma[i * ZONE_INPUTS + AROUND]! * around +
      gamma[i * ZONE_INPUTS + FLOOR]! * floor;
    const [c0, c1, c2] = [fixed(BED), fixed(MEDIUM), fixed(AIR)];
    const h0 = gamma[BED * ZONE_INPUTS + HEATER]! * power_W;
    const h1 = gamma[MEDIUM * ZONE_INPUTS + HEATER]! * power_W;
    const h2 = gamma[AIR * ZONE_INPUTS + HEATER]! * power_W;
    const set = hours.set_C[h]!;
    const off = Number.isNaN(set);
    let minutesOn = 0;
    for (let m = 0; m < MINUTES; m++) {
      const measured = byMedium * medium + byBed * bed + byAir * air;
      let next = 0;
      if (off || measured >= cutOut_C) share = 0;
      else if (onOff) {
        const wants = measured < (on === 1 ? set + half : set - half) ? 1 : 0;
        next = wants !== on && since < (on === 1 ? minOn : minOff) ? on : wants;
      } else {
        const error = set - measured;
        const grown = sum + error * 60;
        const raw = error / band_K + grown / (band_K * reset_s);
        if (raw <= 1 && raw >= 0) sum = grown;
        cycle += 60;
        if (cycle >= cycle_s || share === 0) {
          cycle = 0;
          share = raw > 1 ? 1 : raw < 0 ? 0 : raw;
        }
        next = cycle < share * cycle_s ? 1 : 0;
      }
      since = next === on ? since + 1 : 1;
      on = next;
      const b = p00 * bed + p01 * medium + p02 * air + c0;
      const d = p10 * bed + p11 * medium + p12 * air + c1;
      const a = p20 * bed + p21 * medium + p22 * air + c2;
      bed = b + on * h0;
      medium = d + on * h1;
      air = a + on * h2;
      minutesOn += on;
      if (medium < least_C) least_C = medium;
      if (medium > most_C) most_C = medium;
    }
    energy_kWh[h] = (power_W * minutesOn) / 60_000;
    bed_C[h] = bed;
    medium_C[h] = medium;
    air_C[h] = air;
  }
  return { energy_kWh, bed_C, medium_C, air_C, least_C, most_C, x: [bed, medium, air] };
}

/** How a zone stands by the hour when nobody has opened it. */
export function modeAt(zone: ZoneSpec, night: boolean, open = false): ZoneMode {
  return { cover: night ? zone.cover.night : zone.cover.day, open };
}
