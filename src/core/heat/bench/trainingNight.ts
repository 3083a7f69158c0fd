import { hourly_C } from '../../weather/hourly.ts';
import type { Sample } from '../sample.ts';
import { modeAt } from '../simulate.ts';
import { steadyNeed_W } from '../sizing.ts';
import { control, CONTROL_START, type ControlState } from '../thermostat.ts';
import { believed, watch, watchStart, type Finding, type Watched, type WatchState } from '../watch.ts';
import { coverOn } from '../yearHours.ts';
import { seededRandom, type Random } from '../../numerics/random.ts';
import { settle } from './nights.ts';
import { readOf, run, truth, type Broken, type Truth } from './physics.ts';

export interface NightPlan {
  readonly watched: Watched;
  readonly set_C: number;
  readonly least_C: number;
  readonly most_C: number;
  readonly seed: number;
}

/** A made-up night under way. */
export interface NightState {
  readonly minute: number;
  readonly truth: Truth;
  readonly control: ControlState;
  readonly watch: WatchState | null;
  readonly stuck_C: number | null;
  readonly random: Random;
  readonly energy_kWh: number;
  readonly findings: readonly Finding[];
  /** What was to be seen, a point a minute. */
  readonly trace: readonly NightPoint[];
}
export interface NightPoint {
  readonly minute: number;
  readonly true_C: number;
  readonly read_C: number | null;
  readonly air_C: number;
  readonly outside_C: number;
  readonly on: boolean;
}

/** Begins at six in the evening. */
export const NIGHT_START_h = 18;
/** Until ten the next morning. */
export const NIGHT_min = 16 * 60;

export function startNight({ watched: { zone }, set_C, seed, least_C, most_C }: NightPlan): NightState {
  const t = truth(zone, seed, set_C);
  settle(t, zone, { least_C, most_C, clear: 0.7, startHour: NIGHT_START_h });
  return {
    minute: 0,
    truth: t,
    control: CONTROL_START,
    watch: null,
    stuck_C: null,
    random: seededRandom(seed + 99),
    energy_kWh: 0,
    findings: [],
    trace: [],
  };
}

/** One minute on. The truth inside is changed in place; do not go on from the same state twice. */
export function stepNight(plan: NightPlan, state: NightState, broken: Broken): NightState {
  const { watched: w, set_C, least_C, most_C } = plan;
  const { zone } = w;
  const hour = (NIGHT_START_h + state.minute / 60) % 24;
  const night = coverOn(hour);
  const outside_C = hourly_C({ hour, least_C, most_C, dayLength_h: 12 });
  const plus = night ? zone.around.plusNight_K : zone.around.plusDay_K;
  const around_C = outside_C + (broken.powerOff ? Math.min(plus, 1.5) : plus);
  const floor_C = (least_C + most_C) / 2;
  const sun_W_m2 = Math.max(0, Math.sin((Math.PI * (hour - 6)) / 12)) * 550 * (hour > 12 ? 0 : 1);
  const read = readOf(state.truth, [0, 0, 0], state.stuck_C);
  const stuck_C = broken.sensorStuck ? (state.stuck_C ?? read.medium_C) : null;
  const trusted = state.watch === null || believed(state.watch);
  const need_W = steadyNeed_W(zone, { set_C, around_C, floor_C, mode: modeAt(zone, night) });
  const next = control(zone.thermostat, state.control, {
    measured_C: trusted ? read.medium_C : null,
    set_C,
    dt_s: 60,
    cutOut_C: zone.cutOut_C,
    mostDuty: trusted ? 1 : (1.1 * need_W) / zone.heater.power_W,
  });
  const taken_J = run(state.truth, 60, next.on, { outside_C, around_C, floor_C, sun_W_m2, clear: 0.7, night }, broken);
  const silent = broken.silent === true;
  const sample: Sample = {
    at_s: (state.minute + 1) * 60,
    medium_C: silent ? null : read.medium_C,
    bed_C: silent ? null : read.bed_C,
    air_C: silent ? null : read.air_C,
    around_C: around_C + (state.random() - 0.5) * 0.3,
    floor_C,
    duty: next.on ? 1 : 0,
    set_C,
    mains: broken.powerOff !== true,
    battery_frac: 0.9,
    night,
  };
  const looked = watch(w, state.watch ?? watchStart(sample), sample);
  const point: NightPoint = {
    minute: state.minute,
    true_C: (state.truth.T[4]! + state.truth.T[5]!) / 2,
    read_C: silent ? null : read.medium_C,
    air_C: state.truth.T[7]!,
    outside_C,
    on: taken_J > 0,
  };
  return {
    ...state,
    minute: state.minute + 1,
    control: next,
    watch: looked.state,
    stuck_C,
    energy_kWh: state.energy_kWh + taken_J / 3.6e6,
    findings: looked.findings,
    trace: [...state.trace, point],
  };
}
