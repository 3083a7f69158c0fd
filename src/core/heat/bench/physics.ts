import { area_m2, type CoverKind, type ZoneSpec } from '../zone.ts';
import { MATERIALS } from '../materials.ts';
import { saturation_kPa } from '../../weather/sun.ts';
import { seededRandom, type Random } from '../../numerics/random.ts';

/**
 * A bench as it might be in truth: finer than the model the application steers by, and not quite as its builder wrote it
 * down. Bed in three slices, foam in three, medium in four, air, cover; evaporation by vapour pressure, the sky's pull,
 * sensors that lag and hiss. Explicit steps of five seconds.
 */
export interface Truth {
  readonly zone: ZoneSpec;
  /** What is off from the plan, times. */
  readonly off: { readonly loss: number; readonly capacity: number; readonly power: number; readonly damp: number };
  /** bed 0-2 from below, medium 3-6 from below, air 7, cover 8, foam 9-11 from below. */
  readonly T: Float64Array;
  /** What the sensors show before noise: medium, bed, air. */
  readonly seen: Float64Array;
  readonly random: Random;
}

const STEP_s = 5;
const BED = 0;
const MEDIUM = 3;
const AIR = 7;
const COVER = 8;
const FOAM = 9;

export function truth(zone: ZoneSpec, seed: number, start_C: number): Truth {
  const random = seededRandom(seed);
  const about = (spread: number) => 1 + spread * (2 * random() - 1);
  return {
    zone,
    off: { loss: about(0.15), capacity: about(0.15), power: about(0.05), damp: about(0.3) },
    T: new Float64Array(12).fill(start_C),
    seen: new Float64Array(3).fill(start_C),
    random,
  };
}

export interface Around {
  readonly outside_C: number;
  readonly around_C: number;
  readonly floor_C: number;
  readonly sun_W_m2: number;
  /** Clear sky by night, 0 to 1. */
  readonly clear: number;
  readonly night: boolean;
}

/** What can be broken. */
export interface Broken {
  readonly sensorOut?: boolean;
  readonly sensorStuck?: boolean;
  readonly heaterOpen?: boolean;
  readonly relayStuck?: boolean;
  readonly powerOff?: boolean;
  readonly lidOpen?: boolean;
  readonly lidShut?: boolean;
  readonly silent?: boolean;
}

const CLEAR: Readonly<Record<CoverKind, number>> = { none: 1, fleece: 0.8, single: 0.87, double: 0.76 };
const COVER_R: Readonly<Record<CoverKind, number>> = { none: 0, fleece: 0.012, single: 0.002, double: 0.17 };

/** Runs the bench on for a while in place. @returns joules the heater took */
export function run(t: Truth, seconds: number, on: boolean, around: Around, broken: Broken): number {
  const { zone, off, T } = t;
  const S = area_m2(zone);
  const power =
    (broken.powerOff || broken.heaterOpen ? 0 : broken.relayStuck || on ? 1 : 0) * zone.heater.power_W * off.power;
  const kind = around.night ? zone.cover.night : zone.cover.day;
  const open = broken.lidOpen === true || kind === 'none';
  const bed = MATERIALS[zone.bed.material];
  const dBed = zone.bed.thickness_m / 3;
  const dMed = zone.medium_m / 4;
  const cBed = S * bed.density_kg_m3 * bed.heat_J_kgK * dBed * off.capacity;
  const cMed = S * 2.6e6 * dMed * off.capacity;
  const cAir = S * (1200 * zone.air_m + 5000);
  const cCover = S * 900;
  const gBed = (S * bed.conductivity_W_mK) / dBed;
  const gMed = (S * 0.5) / dMed;
  const gContact = S / (dBed / 2 / bed.conductivity_W_mK + 0.045 + dMed / 2 / 0.5);
  const belowR =
    zone.below.reduce((sum, l) => sum + l.thickness_m / MATERIALS[l.material].conductivity_W_mK, 0.02) / off.loss;
  const gFoam = (S * 3) / belowR;
  const cFoam = S * 900;
  const sides = ((2 * (zone.length_m + zone.width_m) * zone.air_m) / zone.sides_m2K_W) * off.loss;
  // The mean night of the model is half clear; this one may be clearer.
  const sky_C = around.outside_C - 18 * around.clear;
  let taken = 0;
  const flow = new Float64Array(12);
  for (let s = 0; s < seconds; s += STEP_s) {
    flow.fill(0);
    const between = (a: number, b: number, g: number) => {
      const q = g * (T[a]! - T[b]!);
      flow[a]! -= q;
      flow[b]! += q;
    };
    flow[BED + 1]! += power;
    between(BED, BED + 1, gBed);
    between(BED + 1, BED + 2, gBed);
    between(BED + 2, MEDIUM, gContact);
    for (let i = 0; i < 3; i++) between(MEDIUM + i, MEDIUM + i + 1, gMed);
    between(FOAM, FOAM + 1, gFoam);
    between(FOAM + 1, FOAM + 2, gFoam);
    between(FOAM + 2, BED, gFoam * 1.5);
    flow[FOAM]! += S * 5.9 * (around.floor_C - T[FOAM]!);
    const top = MEDIUM + 3;
    const h = 4.5 * Math.max(0.3, Math.abs(T[top]! - T[AIR]!) / 8) ** 0.25;
    between(top, AIR, S * h);
    // Evaporation by the difference of vapour pressures; under a cover it settles there again.
    const wet = 0.55 * off.damp;
    const dew = open ? saturation_kPa(around.around_C) * 0.8 : saturation_kPa(T[COVER]!);
    const steam = Math.max(0, S * wet * h * 10 * (saturation_kPa(T[top]!) - dew)) * (open ? 0.6 : 0.45);
    flow[top]! -= steam;
    const shine = around.sun_W_m2 * zone.sun_frac * (open ? 1 : CLEAR[kind]) * S;
    flow[top]! += shine * 0.31;
    flow[AIR]! += shine * 0.19;
    if (open) {
      flow[AIR]! += S * 13 * off.loss * (around.around_C - T[AIR]!);
      flow[top]! += S * 2.2 * (sky_C - T[top]!) * (zone.around.plusNight_K > 0 ? 0.2 : 1);
      T[COVER] = around.around_C;
    } else {
      flow[COVER]! += steam;
      const toCover = S * (4.5 + 5.1);
      between(AIR, COVER, 1 / (1 / toCover + COVER_R[kind] / S));
      // The medium shines on the cover past the air.
      between(top, COVER, 1 / (1 / (S * 4) + COVER_R[kind] / S));
      flow[COVER]! += S * 16 * off.loss * (around.around_C - T[COVER]!);
      if (zone.around.plusNight_K === 0) flow[COVER]! += S * 3.2 * (sky_C - T[COVER]!) * (around.night ? 1 : 0.3);
    }
    flow[AIR]! += (sides + (S * zone.air_m * 1200 * 1.2) / 3600) * (around.around_C - T[AIR]!);
    if (broken.lidShut !== true && !around.night && T[AIR]! > 27) flow[AIR]! += S * 25 * (around.around_C - T[AIR]!);
    for (let i = 0; i < 3; i++) T[BED + i]! += (flow[BED + i]! * STEP_s) / cBed;
    for (let i = 0; i < 4; i++) T[MEDIUM + i]! += (flow[MEDIUM + i]! * STEP_s) / cMed;
    T[AIR]! += (flow[AIR]! * STEP_s) / cAir;
    T[COVER]! += (flow[COVER]! * STEP_s) / Math.max(cCover, S * 40 * STEP_s);
    for (let i = 0; i < 3; i++) T[FOAM + i]! += (flow[FOAM + i]! * STEP_s) / Math.max(cFoam, 4 * gFoam * STEP_s);
    taken += power * STEP_s;
    const mediumSeen = broken.sensorOut ? T[AIR]! : (T[MEDIUM + 1]! + T[MEDIUM + 2]!) / 2;
    const lag = (i: number, to: number, tau_s: number) => (t.seen[i]! += ((to - t.seen[i]!) * STEP_s) / tau_s);
    if (!broken.sensorStuck) lag(0, mediumSeen, broken.sensorOut ? 150 : 90);
    lag(1, T[BED + 1]!, 90);
    lag(2, T[AIR]!, 100);
  }
  return taken;
}

/** What the sensors send: a sixteenth of a kelvin is the step of a common digital sensor. A stuck one repeats itself. */
export function readOf(
  t: Truth,
  offsets_K: readonly [number, number, number],
  stuckAt_C: number | null,
): { medium_C: number; bed_C: number; air_C: number } {
  const noise = () => (t.random() + t.random() + t.random() - 1.5) * 0.08;
  const sixteenth = (value: number) => Math.round(value * 16) / 16;
  const [m, b, a] = [0, 1, 2].map((i) => sixteenth(t.seen[i]! + offsets_K[i]! + noise())) as [number, number, number];
  return { medium_C: stuckAt_C ?? m, bed_C: b, air_C: a };
}
