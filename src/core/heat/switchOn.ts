import { simulateHours, type HoursIn } from './simulate.ts';
import type { ZoneSpec } from './zone.ts';

/** When to switch a bed on that stands cold. Hours count from the start of the forecast. */
export interface SwitchOn {
  readonly at_h: number;
  /** Hours until the medium is at its set-point. */
  readonly takes_h: number;
  /** What it takes from then to the hour it is wanted, warming and holding. */
  readonly energy_kWh: number;
  /** Against switching on at six the evening before; null where that lies before the forecast. */
  readonly saves_kWh: number | null;
}

/** Hours of the day at which somebody is there to switch it on. Common practice, no source. */
const FIRST_h = 7;
const LAST_h = 20;
const EVENING_h = 18;
/** Near enough to its set-point to sow, K. */
const NEAR_K = 0.5;

/**
 * The hour to switch a cold bed on so that it is warm when it is wanted for the least heat: on a bright day about noon, when the
 * sun has done its part; on dull ones the sooner the heavier the bed.
 * @param hours outside, sun, floor and cover by the hour; its set-points are not looked at
 * @param firstHour local hour of the day of the first entry, 0 to 23
 * @param wanted_h entry at which it is to be warm, within the hours
 * @param set_C set-point of the medium
 * @param start_C bed, medium and air as they stand at the first entry
 * @returns null when it cannot be warm by then, whenever it is switched on
 * @throws RangeError when the zone cannot be built or `wanted_h` lies outside the hours
 */
export function switchOn(
  zone: ZoneSpec,
  hours: Omit<HoursIn, 'set_C'>,
  firstHour: number,
  wanted_h: number,
  set_C: number,
  start_C: readonly [number, number, number],
): SwitchOn | null {
  const n = hours.outside_C.length;
  if (!(wanted_h > 0 && wanted_h <= n)) throw new RangeError(`wanted_h is ${wanted_h}; 1 to ${n} wanted`);
  const until = <T extends ArrayLike<number>>(column: T) => Array.from({ length: wanted_h }, (_, i) => column[i]!);
  const before = {
    outside_C: until(hours.outside_C),
    sun_W_m2: until(hours.sun_W_m2),
    floor_C: until(hours.floor_C),
    night: until(hours.night),
  };
  const run = (at_h: number) =>
    simulateHours(zone, { ...before, set_C: before.outside_C.map((_, i) => (i < at_h ? NaN : set_C)) }, start_C);
  const sum = (energy: ArrayLike<number>) => Array.from(energy).reduce((total, kWh) => total + kWh, 0);
  let best: SwitchOn | null = null;
  for (let at_h = 0; at_h < wanted_h; at_h++) {
    const clock = (firstHour + at_h) % 24;
    if (at_h > 0 && (clock < FIRST_h || clock > LAST_h)) continue;
    const done = run(at_h);
    if (done.medium_C[wanted_h - 1]! < set_C - NEAR_K) continue;
    const energy_kWh = sum(done.energy_kWh);
    if (best && best.energy_kWh <= energy_kWh) continue;
    const warm = done.medium_C.findIndex((t, i) => i >= at_h && t >= set_C - NEAR_K);
    best = { at_h, takes_h: warm + 1 - at_h, energy_kWh, saves_kWh: null };
  }
  if (!best) return null;
  const back = (firstHour + best.at_h - EVENING_h + 24) % 24;
  const evening = best.at_h - (back === 0 ? 24 : back);
  return { ...best, saves_kWh: evening < 0 ? null : sum(run(evening).energy_kWh) - best.energy_kWh };
}
