import { control, CONTROL_START, type ControlState } from '../thermostat.ts';
import { believed, watch, watched, watchStart, type FaultKind } from '../watch.ts';
import { steadyNeed_W } from '../sizing.ts';
import { modeAt } from '../simulate.ts';
import type { Sample } from '../sample.ts';
import type { ZoneSpec } from '../zone.ts';
import { seededRandom } from '../../numerics/random.ts';
import { hourly_C } from '../../weather/hourly.ts';
import { readOf, run, truth, type Broken, type Truth } from './physics.ts';

/** What a made-up night was broken by and when it was found. */
export interface NightResult {
  readonly fault: FaultKind | null;
  readonly at_min: number;
  /** Whether it could show at all: a relay stuck on while heat is wanted all night does no harm. */
  readonly shown: boolean;
  /** Minutes it had been able to show (heat asked for of a dead heater, not asked for of a stuck relay); null = not found. */
  readonly foundAfter_min: number | null;
  readonly fromBreak_min: number | null;
  readonly falseAlarms: readonly FaultKind[];
  readonly most_C: number;
  readonly hours: number;
}

export interface Night {
  readonly zone: ZoneSpec;
  readonly seed: number;
  readonly fault: FaultKind | null;
  readonly hours: number;
  readonly bedSensor?: boolean;
}

const BREAKS: Readonly<Partial<Record<FaultKind, Broken>>> = {
  'sensor-out': { sensorOut: true },
  'sensor-stuck': { sensorStuck: true },
  'heater-dead': { heaterOpen: true },
  'relay-stuck': { relayStuck: true },
  'power-lost': { powerOff: true },
  'lid-open': { lidOpen: true },
  'lid-shut': { lidShut: true },
  'readings-stopped': { silent: true },
};

/** Other findings a broken thing rightly brings with it. */
const FOLLOWS: Readonly<Partial<Record<FaultKind, readonly FaultKind[]>>> = {
  'sensor-out': ['too-hot', 'too-cold'],
  'sensor-stuck': ['too-hot', 'too-cold'],
  'heater-dead': ['too-cold'],
  'relay-stuck': ['too-hot', 'lid-shut'],
  'power-lost': ['too-cold', 'readings-stopped'],
  'lid-open': ['too-cold'],
  'lid-shut': ['too-hot'],
  'readings-stopped': [],
};

/** Shown for less than this before the night is over, nothing could be said of it. */
const LEAST_shown_min = 15;

/** One made-up night (or day and night): a truth, its sensors, the controller, and the watch over them. */
export function oneNight({ zone, seed, fault, hours, bedSensor = true }: Night): NightResult {
  const random = seededRandom(seed * 7919 + 13);
  const least_C = (fault === 'lid-shut' ? 2 : -6) + 12 * random();
  const most_C = least_C + 5 + 9 * random();
  const clear = random();
  const sunPeak = (fault === 'lid-shut' ? 650 : 150) + 250 * random();
  const set_C = 18 + 5 * random();
  const startHour = hours > 14 ? 12 : 18;
  const broken = fault ? BREAKS[fault]! : {};
  // A lid is shut in sun by day, all else breaks by night.
  const breakAt =
    fault === null ? Infinity : fault === 'lid-shut' ? 0 : Math.round(120 + random() * (hours * 60 - 330));
  const t = truth(zone, seed, set_C);
  t.T.fill(set_C + 4, 0, 3);
  settle(t, zone, { least_C, most_C, clear, startHour });
  const w = watched(zone, { hot_C: 33, harm_C: 5 });
  let state: ReturnType<typeof watchStart> | null = null;
  let controller: ControlState = CONTROL_START;
  let shown_min = 0;
  let lastCold = -Infinity;
  let foundAfter: number | null = null;
  let fromBreak: number | null = null;
  let most = -Infinity;
  const falseAlarms = new Set<FaultKind>();
  let onSeconds = 0;
  let stuckAt: number | null = null;
  for (let minute = 0; minute < hours * 60; minute++) {
    const hour = (startHour + minute / 60) % 24;
    const outside_C = hourly_C({ hour, least_C, most_C, dayLength_h: 12 });
    const night = hour >= 18 || hour < 8;
    const sun = Math.max(0, Math.sin((Math.PI * (hour - 6)) / 12)) * sunPeak;
    const floor_C = (least_C + most_C) / 2;
    const around = {
      outside_C,
      around_C: outside_C + (night ? zone.around.plusNight_K : zone.around.plusDay_K),
      floor_C,
      sun_W_m2: sun,
      clear,
      night,
    };
    const isBroken = minute >= breakAt;
    const now = isBroken ? broken : {};
    const read = readOf(t, [0, 0, 0], stuckAt);
    if (now.sensorStuck && stuckAt === null) stuckAt = read.medium_C;
    const trusted = state === null || believed(state);
    const need = trusted
      ? 1
      : (1.1 * steadyNeed_W(zone, { set_C, around_C: around.around_C, floor_C, mode: modeAt(zone, night) })) /
        zone.heater.power_W;
    controller = control(zone.thermostat, controller, {
      measured_C: trusted ? read.medium_C : null,
      set_C,
      dt_s: 60,
      cutOut_C: zone.cutOut_C,
      mostDuty: need,
    });
    run(t, 60, controller.on, around, now);
    onSeconds = controller.on ? 60 : 0;
    if (minute > 60) most = Math.max(most, t.T[4]!);
    const dead = now.powerOff === true;
    const silent = now.silent === true;
    const sample: Sample = {
      at_s: (minute + 1) * 60,
      medium_C: silent ? null : read.medium_C,
      bed_C: bedSensor ? (silent ? null : read.bed_C) : undefined,
      air_C: silent ? null : read.air_C,
      around_C: around.around_C + (random() - 0.5) * 0.4,
      floor_C,
      duty: onSeconds / 60,
      set_C,
      mains: !dead,
      battery_frac: 0.9,
      night,
    };
    state ??= watchStart(sample);
    const looked = watch(w, state, sample);
    state = looked.state;
    if ((t.T[4]! + t.T[5]!) / 2 < set_C - 2.5) lastCold = minute;
    // A dead heater shows only while it is asked for heat, a stuck relay only while it is asked to be off.
    const shows =
      isBroken && (fault === 'heater-dead' ? controller.on : fault === 'relay-stuck' ? !controller.on : true);
    if (shows) shown_min++;
    if (isBroken && shown_min === 0) continue;
    if (fault === 'lid-shut' && t.T[7]! < w.hot_C + 1 && foundAfter === null) shown_min = 0;
    for (const finding of looked.findings) {
      if (isBroken && finding.kind === fault) {
        fromBreak ??= minute + 1 - breakAt;
        foundAfter ??= Math.max(1, shown_min);
      } else if (!(isBroken && FOLLOWS[fault!]?.includes(finding.kind))) {
        // A bench that truly is too cold where its sensor stands, or was within what an alarm waits to end, is no false alarm.
        if (finding.kind !== 'too-cold' || minute - lastCold > 15) falseAlarms.add(finding.kind);
      }
    }
  }
  return {
    fault,
    shown: shown_min >= LEAST_shown_min || foundAfter !== null,
    at_min: breakAt,
    foundAfter_min: foundAfter,
    fromBreak_min: fromBreak,
    falseAlarms: [...falseAlarms],
    most_C: most,
    hours,
  };
}

/** Two hours with nobody looking, so that nothing is as it was set up. */
export function settle(
  t: Truth,
  zone: ZoneSpec,
  at: { least_C: number; most_C: number; clear: number; startHour: number },
): void {
  const night = at.startHour >= 18;
  const outside_C = hourly_C({ hour: at.startHour, least_C: at.least_C, most_C: at.most_C, dayLength_h: 12 });
  const plus = night ? zone.around.plusNight_K : zone.around.plusDay_K;
  const around = {
    outside_C,
    around_C: outside_C + plus,
    floor_C: (at.least_C + at.most_C) / 2,
    sun_W_m2: 0,
    clear: at.clear,
    night,
  };
  run(t, 7200, false, around, {});
  t.T.fill(t.T[4]! + 4, 0, 3);
  t.seen[1] = t.T[1]!;
}
