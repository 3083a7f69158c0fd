import type { Thermostat } from './zone.ts';

/** What a controller remembers between looks. */
export interface ControlState {
  readonly on: boolean;
  /** Seconds it has been so. */
  readonly since_s: number;
  /** Sum of the error, K s; for the proportional-integral controller. */
  readonly sum_Ks: number;
  /** Share of the cycle under way, and how far it is through. */
  readonly share: number;
  readonly cycle_s: number;
}

export const CONTROL_START: ControlState = { on: false, since_s: 1e9, sum_Ks: 0, share: 0, cycle_s: 0 };

export interface ControlLook {
  /** null: nothing believable was read. */
  readonly measured_C: number | null;
  /** null: off. */
  readonly set_C: number | null;
  readonly dt_s: number;
  readonly cutOut_C: number;
  /** Most share of the time the heater may be on; 1 unless the sensor is not believed. */
  readonly mostDuty: number;
}

/**
 * One look of the controller. On/off: on below set - differential / 2, off above set + differential / 2, never for less
 * than the least on and off times. PI: share = error / band + integral / (band reset), held to 0..1 without wind-up, given
 * out in cycles. Above the cut-out it is off whatever else. Without a believable reading it runs at `mostDuty` by the clock.
 * @source Astrom & Murray, Feedback Systems, 2008, sections 1.3 (on/off with hysteresis) and 10.1 (PI), 10.4 (wind-up)
 */
export function control(thermostat: Thermostat, state: ControlState, look: ControlLook): ControlState {
  const { measured_C, set_C, dt_s, cutOut_C } = look;
  const most = Math.min(1, Math.max(0, look.mostDuty));
  if (set_C === null || (measured_C !== null && measured_C >= cutOut_C))
    return switched(state, false, dt_s, { share: 0 });
  if (measured_C === null) return inCycles(state, most, BLIND_CYCLE_s, dt_s);
  if (thermostat.kind === 'pi') {
    const error = set_C - measured_C;
    const sum_Ks = state.sum_Ks + error * dt_s;
    const raw = error / thermostat.band_K + sum_Ks / (thermostat.band_K * thermostat.reset_s);
    const share = Math.min(most, Math.max(0, raw));
    const kept = raw > most || raw < 0 ? state.sum_Ks : sum_Ks;
    return { ...inCycles(state, share, thermostat.cycle_s, dt_s), sum_Ks: kept };
  }
  const half = thermostat.differential_K / 2;
  const wants = state.on ? measured_C < set_C + half : measured_C < set_C - half;
  const least = state.on ? thermostat.minOn_s : thermostat.minOff_s;
  const on = wants !== state.on && state.since_s < least ? state.on : wants;
  if (on && most < 1) return inCycles(state, most, BLIND_CYCLE_s, dt_s);
  return switched(state, on, dt_s);
}

const BLIND_CYCLE_s = 1200;

function inCycles(state: ControlState, share: number, length_s: number, dt_s: number): ControlState {
  let cycle_s = state.cycle_s + dt_s;
  let held = state.share;
  if (cycle_s >= length_s || state.share === 0) {
    cycle_s = 0;
    held = share;
  }
  return switched(state, cycle_s < held * length_s, dt_s, { share: held, cycle_s });
}

function switched(state: ControlState, on: boolean, dt_s: number, more: Partial<ControlState> = {}): ControlState {
  return { ...state, ...more, on, since_s: on === state.on ? state.since_s + dt_s : dt_s };
}
