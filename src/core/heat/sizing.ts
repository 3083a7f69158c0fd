import type { MonthNormal } from '../plan/schedule/outsideClimate.ts';
import { advance, AIR, BED, MEDIUM, networkOf, settled, stepOf, type ZoneMode } from './network.ts';
import { modeAt, simulateHours } from './simulate.ts';
import { MONTH_days, usualHours } from './yearHours.ts';
import { area_m2, type ZoneSpec } from './zone.ts';

/** What a zone can do at a night of design. Temperatures in degrees Celsius. */
export interface Sizing {
  readonly power_W_m2: number;
  /** Steady watts the set-point takes at that night. */
  readonly need_W: number;
  readonly holds: boolean;
  /** Coldest outside at which it still holds the set-point. */
  readonly holdsTo_C: number;
  /** Medium and bed with the heater stuck on for ever, that night. */
  readonly stuckOn_C: number;
  readonly stuckBed_C: number;
  /** From as cold as what is round it to the set-point; null when it never gets there in four days. */
  readonly warmUp_h: number | null;
  /** Of the steady heat, the share that goes down. */
  readonly down_frac: number;
}

/**
 * @param at set-point of the medium, outside, and how the zone stands; no sun
 * @throws RangeError when the zone cannot be built
 * @source steady state and step of the zone's network (network.ts)
 */
export function sizingOf(
  zone: ZoneSpec,
  at: { readonly set_C: number; readonly outside_C: number; readonly mode: ZoneMode },
): Sizing {
  const network = networkOf(zone, at.mode);
  const around = at.outside_C + zone.around.plusNight_K;
  const { power_W } = zone.heater;
  const free = settled(network, [0, 0, around, at.outside_C])[MEDIUM]!;
  const stuck = settled(network, [power_W, 0, around, at.outside_C]);
  const perWatt = (stuck[MEDIUM]! - free) / power_W;
  const need_W = Math.max(0, (at.set_C - free) / perWatt);
  const held = settled(network, [need_W, 0, around, at.outside_C]);
  const floor = network.boundaries[0]!.conductance_W_K * (held[BED]! - at.outside_C);
  return {
    power_W_m2: power_W / area_m2(zone),
    need_W,
    holds: need_W <= power_W,
    // The network is linear, so a degree colder outside is a degree colder inside.
    holdsTo_C: at.outside_C - (perWatt * power_W - (at.set_C - free)),
    stuckOn_C: stuck[MEDIUM]!,
    stuckBed_C: stuck[BED]!,
    warmUp_h: warmUp_h(zone, at),
    down_frac: need_W > 0 ? Math.max(0, Math.min(1, floor / need_W)) : 0,
  };
}

const LONGEST_h = 96;

function warmUp_h(
  zone: ZoneSpec,
  at: { readonly set_C: number; readonly outside_C: number; readonly mode: ZoneMode },
): number | null {
  const around = at.outside_C + zone.around.plusNight_K;
  const step = stepOf(networkOf(zone, at.mode), 300);
  let x: Float64Array = Float64Array.of(around, around, around);
  if (x[MEDIUM]! >= at.set_C) return 0;
  for (let i = 1; i <= LONGEST_h * 12; i++) {
    const before = x[MEDIUM]!;
    x = advance(step, x, [zone.heater.power_W, 0, around, at.outside_C]);
    if (x[MEDIUM]! >= at.set_C) return (i - 1 + (at.set_C - before) / (x[MEDIUM]! - before)) / 12;
  }
  return null;
}

/** Watts the heater must give, averaged, to hold a medium temperature now: what the duty is capped by when no sensor is believed. */
export function steadyNeed_W(
  zone: ZoneSpec,
  at: { readonly set_C: number; readonly around_C: number; readonly floor_C: number; readonly mode: ZoneMode },
): number {
  const network = networkOf(zone, at.mode);
  const free = settled(network, [0, 0, at.around_C, at.floor_C])[MEDIUM]!;
  const one = settled(network, [1, 0, at.around_C, at.floor_C])[MEDIUM]!;
  return Math.max(0, (at.set_C - free) / (one - free));
}

/** Usual days of a year by month. */
export interface MonthHeat {
  readonly month: number;
  readonly perDay_kWh: number;
  readonly perMonth_kWh: number;
  readonly least_C: number;
  readonly air_C: number;
}

/** Days run before the one that counts, so that the bed no longer remembers how it began. */
const SETTLING_days = 4;

/** What a zone takes in each month of the usual year at a set-point. */
export function yearOfHeat(
  zone: ZoneSpec,
  at: {
    readonly normals: readonly MonthNormal[];
    readonly latitude_deg: number;
    readonly setDay_C: number;
    readonly setNight_C: number;
  },
): MonthHeat[] {
  return MONTH_days.map((days, month) => {
    const hours = usualHours({ ...at, month, days: SETTLING_days + 1 });
    const start = Number.isNaN(at.setDay_C) ? at.normals[month]!.day_C : at.setDay_C;
    const run = simulateHours(zone, hours, [start, start, start]);
    const last = run.energy_kWh.slice(24 * SETTLING_days);
    const perDay_kWh = last.reduce((sum, e) => sum + e, 0);
    const least_C = Math.min(...run.medium_C.slice(24 * SETTLING_days));
    const air_C = run.air_C.slice(24 * SETTLING_days).reduce((sum, a) => sum + a, 0) / 24;
    return { month, perDay_kWh, perMonth_kWh: perDay_kWh * days, least_C, air_C };
  });
}

/** Heat up and down through the zone at a state, W. */
export function flowsAt(
  zone: ZoneSpec,
  at: {
    readonly bed_C: number;
    readonly medium_C: number;
    readonly air_C: number;
    readonly floor_C: number;
    readonly night: boolean;
  },
): { up_W: number; down_W: number } {
  const network = networkOf(zone, modeAt(zone, at.night));
  const toAir = network.links.find((l) => l.a === MEDIUM && l.b === AIR)!.conductance_W_K;
  return {
    up_W: toAir * (at.medium_C - at.air_C),
    down_W: network.boundaries[0]!.conductance_W_K * (at.bed_C - at.floor_C),
  };
}
