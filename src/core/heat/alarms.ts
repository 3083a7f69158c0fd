import type { FaultKind } from './watch.ts';
import { WORDS } from '../../words/en/heat/alarmsCore.ts';

export type AlarmKind = FaultKind | 'test';

/** What an alarm says, and what to do first. `loud`: it sounds in quiet hours as well. */
export interface AlarmWords {
  readonly name: string;
  readonly first: string;
  readonly loud: boolean;
}

const ELECTRIC = WORDS.switchItOffAtThe;

export const ALARMS: Readonly<Record<AlarmKind, AlarmWords>> = {
  'power-lost': {
    name: WORDS.powerLost,
    first: WORDS.putOnEveryCoverYou,
    loud: true,
  },
  'heater-dead': {
    name: WORDS.heaterGivesNoHeat,
    first: WORDS.coverTheBenchLookAt(ELECTRIC),
    loud: true,
  },
  'relay-stuck': {
    name: WORDS.heaterWillNotGoOff,
    first: WORDS.pullTheHeatersPlugNow(ELECTRIC),
    loud: true,
  },
  'sensor-out': {
    name: WORDS.sensorOutOfItsCell,
    first: WORDS.pushItBackIntoThe,
    loud: true,
  },
  'sensor-stuck': {
    name: WORDS.sensorStuck,
    first: WORDS.unplugTheSensorAndPlug,
    loud: true,
  },
  'too-cold': {
    name: WORDS.tooCold,
    first: WORDS.coverTheTraysShutDoors,
    loud: true,
  },
  'too-hot': {
    name: WORDS.tooHot,
    first: WORDS.openTheCoverAndDamp,
    loud: true,
  },
  'lid-open': { name: WORDS.lidOpenOnACold, first: WORDS.shutTheLidOrPull, loud: true },
  'lid-shut': {
    name: WORDS.lidShutInSun,
    first: WORDS.propTheLidOpenNow,
    loud: true,
  },
  'readings-stopped': {
    name: WORDS.readingsStopped,
    first: WORDS.lookAtTheBenchWith,
    loud: true,
  },
  'battery-low': { name: WORDS.batteryLow, first: WORDS.changeTheSensorsBatteryWhen, loud: false },
  test: {
    name: WORDS.testAlarm,
    first: WORDS.nothingIsWrongSomebodyTried,
    loud: true,
  },
};

/** When an alarm that nobody has taken sounds again, and whether it may in quiet hours. */
export interface Quiet {
  /** Local hours; over midnight when from is after to. null = no quiet hours. */
  readonly from_h: number | null;
  readonly to_h: number;
  readonly repeat_min: number;
}

export function inQuietHours({ from_h, to_h }: Quiet, hour: number): boolean {
  if (from_h === null) return false;
  return from_h <= to_h ? hour >= from_h && hour < to_h : hour >= from_h || hour < to_h;
}

/** Whether an alarm ought to sound now: at first, then every so often until it is taken. */
export function soundsNow(at: {
  readonly kind: AlarmKind;
  readonly taken: boolean;
  readonly lastSounded_ms: number | null;
  readonly now_ms: number;
  readonly hour: number;
  readonly quiet: Quiet;
}): boolean {
  if (at.taken) return false;
  if (!ALARMS[at.kind].loud && inQuietHours(at.quiet, at.hour)) return false;
  if (at.lastSounded_ms === null || at.lastSounded_ms > at.now_ms) return true;
  return at.now_ms - at.lastSounded_ms >= at.quiet.repeat_min * 60_000;
}

/** Order of alarms, worst first. */
export const WORST_FIRST: readonly AlarmKind[] = [
  'relay-stuck',
  'too-hot',
  'power-lost',
  'heater-dead',
  'lid-shut',
  'too-cold',
  'lid-open',
  'sensor-out',
  'sensor-stuck',
  'readings-stopped',
  'test',
  'battery-low',
];
