import { describe, expect, it } from 'vitest';
import { control, CONTROL_START, type ControlState } from './thermostat.ts';
import type { Thermostat } from './zone.ts';

describe('the thermostat on its mark', () => {
  const onOff: Thermostat = { kind: 'on-off', differential_K: 1, minOn_s: 180, minOff_s: 120 };
  const look = { measured_C: 20, set_C: 20, dt_s: 60, cutOut_C: 38, mostDuty: 1 };
  const on = (state: Partial<ControlState>, more: Partial<typeof look> = {}) =>
    control(onOff, { ...CONTROL_START, ...state }, { ...look, ...more });
  it('on below half its differential under the set-point, off at half above', () => {
    expect(on({}, { measured_C: 19.5 }).on).toBe(false);
    expect(on({}, { measured_C: 19.49 }).on).toBe(true);
    expect(on({ on: true, since_s: 999 }, { measured_C: 20.49 }).on).toBe(true);
    expect(on({ on: true, since_s: 999 }, { measured_C: 20.5 }).on).toBe(false);
  });
  it('never for less than its least times, on their second it may', () => {
    expect(on({ on: true, since_s: 179 }, { measured_C: 25 }).on).toBe(true);
    expect(on({ on: true, since_s: 180 }, { measured_C: 25 }).on).toBe(false);
    expect(on({ on: false, since_s: 119 }, { measured_C: 15 }).on).toBe(false);
    expect(on({ on: false, since_s: 120 }, { measured_C: 15 }).on).toBe(true);
    expect(on({ on: true, since_s: 60 }, { measured_C: 15 }).since_s).toBe(120);
    expect(on({ on: false, since_s: 600 }, { measured_C: 15 }).since_s).toBe(60);
  });
  it('off at the cut-out and when there is no set-point, whatever else', () => {
    expect(on({ on: true, since_s: 1 }, { measured_C: 38, set_C: 60 }).on).toBe(false);
    expect(on({ on: true, since_s: 999 }, { measured_C: 37.9, set_C: 60 }).on).toBe(true);
    expect(control(onOff, { ...CONTROL_START, on: true, share: 0.4 }, { ...look, set_C: null })).toMatchObject({
      on: false,
      share: 0,
    });
  });
  it('held to a share of the time it goes in cycles of twenty minutes; blind it does so as well', () => {
    const share = (measured_C: number | null, mostDuty: number) => {
      let state: ControlState = CONTROL_START;
      let minutes = 0;
      for (let i = 0; i < 200; i++) {
        state = control(onOff, state, { ...look, measured_C, mostDuty });
        if (state.on) minutes++;
      }
      return minutes / 200;
    };
    expect(share(10, 0.25)).toBeCloseTo(0.25, 2);
    expect(share(null, 0.5)).toBeCloseTo(0.5, 2);
    expect(share(null, 0)).toBe(0);
    expect(share(null, -1)).toBe(0);
    expect(share(null, 3)).toBe(1);
  });
  it('the proportional one: error over its band and the sum of it, held between none and all without wind-up', () => {
    const pi: Thermostat = { kind: 'pi', band_K: 2, reset_s: 1000, cycle_s: 600 };
    const at = (measured_C: number, state: Partial<ControlState> = {}, more: Partial<typeof look> = {}) =>
      control(pi, { ...CONTROL_START, ...state }, { ...look, measured_C, ...more });
    expect(at(19).share).toBeCloseTo(0.5 + 60 / 2000, 9);
    expect(at(19).sum_Ks).toBe(60);
    expect(at(19, { sum_Ks: 200 }).share).toBeCloseTo(0.5 + 260 / 2000, 9);
    expect(at(10)).toMatchObject({ share: 1, sum_Ks: 0 });
    expect(at(25, { sum_Ks: 100 })).toMatchObject({ share: 0, sum_Ks: 100 });
    expect(at(19, {}, { mostDuty: 0.2 })).toMatchObject({ share: 0.2, sum_Ks: 0 });
    // Within a cycle the share it began with is held.
    const begun = at(19);
    expect(control(pi, begun, { ...look, measured_C: 18 }).share).toBe(begun.share);
    expect(control(pi, { ...begun, cycle_s: 540 }, { ...look, measured_C: 19.4 }).share).not.toBe(begun.share);
    expect(control(pi, { ...begun, cycle_s: 300 }, { ...look, measured_C: 19 }).on).toBe(false);
    expect(control(pi, { ...begun, cycle_s: 200 }, { ...look, measured_C: 19 }).on).toBe(true);
  });
});
