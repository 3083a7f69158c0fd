import type { FaultKind } from './watch.ts';

export type AlarmKind = FaultKind | 'test';

/** What an alarm says, and what to do first. `loud`: it sounds in quiet hours as well. */
export interface AlarmWords {
  readonly name: string;
  readonly first: string;
  readonly loud: boolean;
}

const ELECTRIC =
  'Switch it off at the wall and dry your hands before you touch leads; fixed wiring is for a licensed electrician.';

export const ALARMS: Readonly<Record<AlarmKind, AlarmWords>> = {
  'power-lost': {
    name: 'Power lost',
    first:
      'Put on every cover you have and keep it shut. Look at the breaker and the RCD once; if it trips again leave it. Generators stand outdoors only and are never fed into the house wiring.',
    loud: true,
  },
  'heater-dead': {
    name: 'Heater gives no heat',
    first: `Cover the bench. Look at plug, fuse and RCD. ${ELECTRIC}`,
    loud: true,
  },
  'relay-stuck': {
    name: 'Heater will not go off',
    first: `Pull the heater’s plug now: it will cook the trays. Open the cover. ${ELECTRIC}`,
    loud: true,
  },
  'sensor-out': {
    name: 'Sensor out of its cell',
    first:
      'Push it back into the medium of a cell in the middle of the bench. If you have just watered with cold water, take the alarm and wait. Until then the heater runs by the model, not by the sensor.',
    loud: true,
  },
  'sensor-stuck': {
    name: 'Sensor stuck',
    first: 'Unplug the sensor and plug it in again, or put in another. The heater runs by the model until then.',
    loud: true,
  },
  'too-cold': {
    name: 'Too cold',
    first:
      'Cover the trays, shut doors. See whether the heater is on and strong enough for this night; carry the tenderest to a warmer place.',
    loud: true,
  },
  'too-hot': {
    name: 'Too hot',
    first: 'Open the cover and damp down; pull the heater’s plug if it is still on.',
    loud: true,
  },
  'lid-open': { name: 'Lid open on a cold night', first: 'Shut the lid or pull the cover over.', loud: true },
  'lid-shut': {
    name: 'Lid shut in sun',
    first: 'Prop the lid open now and shade the trays: closed, it goes on warming.',
    loud: true,
  },
  'readings-stopped': {
    name: 'Readings stopped',
    first: 'Look at the bench with a thermometer. Then the controller’s power, its sensor’s plug and the network.',
    loud: true,
  },
  'battery-low': { name: 'Battery low', first: 'Change the sensor’s battery when you next walk by.', loud: false },
  test: {
    name: 'Test alarm',
    first: 'Nothing is wrong: somebody tried whether alarms are heard. Take it.',
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
