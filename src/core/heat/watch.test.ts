import { describe, expect, it } from 'vitest';
import { inQuietHours, soundsNow, WORST_FIRST, ALARMS } from './alarms.ts';
import { advance, networkOf, stepOf } from './network.ts';
import type { Sample } from './sample.ts';
import { setPointNow, type Override } from './setPoint.ts';
import { modeAt } from './simulate.ts';
import { control, CONTROL_START, type ControlState } from './thermostat.ts';
import { believed, watch, watched, watchStart, type FaultKind, type WatchState } from './watch.ts';
import { USUAL_ZONE, type Thermostat, type ZoneSpec } from './zone.ts';
import type { Place } from '../books/place.ts';
import { requireDay } from '../calendar/dayNumber.ts';

const LIMITS = { hot_C: 35, harm_C: 5 };
const zone: ZoneSpec = { ...USUAL_ZONE, cover: { day: 'single', night: 'double' } };
const w = watched(zone, LIMITS);

/** A bench that is run minute by minute beside the watch, with what is wrong with it and what its sensors say. */
interface Run {
  readonly night?: boolean;
  readonly around_C?: number;
  readonly set_C?: number | null;
  readonly from?: readonly [number, number, number];
  /** What each minute is otherwise than it should be. */
  readonly fault?: (minute: number, said: Sample) => Partial<Sample>;
  /** Power that arrives for a duty asked for. */
  readonly heat?: (minute: number, duty: number) => number;
  readonly lidOpen?: (minute: number) => boolean;
  readonly noise?: boolean;
}
function run(minutes: number, its: Run = {}, spec: ZoneSpec = zone) {
  const night = its.night ?? true;
  const around_C = its.around_C ?? 6;
  const set_C = its.set_C === undefined ? 22 : its.set_C;
  const truth = watched(spec, LIMITS);
  const shut = stepOf(networkOf(spec, modeAt(spec, night)), 60);
  const open = stepOf(networkOf(spec, modeAt(spec, night, true)), 60);
  let x: ArrayLike<number> = its.from ?? [27, 22, 14];
  let controller: ControlState = CONTROL_START;
  let state: WatchState | null = null;
  const firstSaid = new Map<FaultKind, number>();
  let now: readonly FaultKind[] = [];
  for (let minute = 0; minute < minutes; minute++) {
    controller = control(spec.thermostat, controller, {
      measured_C: x[1]!,
      set_C,
      dt_s: 60,
      cutOut_C: spec.cutOut_C,
      mostDuty: 1,
    });
    const duty = controller.on ? 1 : 0;
    const power = (its.heat ?? ((_m, d) => d))(minute, duty) * spec.heater.power_W;
    x = advance(its.lidOpen?.(minute) ? open : shut, x as never, [power, 0, around_C, 10]);
    // Three hundredths either way, the same each time: enough that a figure never stands still.
    const ripple = its.noise === false ? 0 : 0.03 * (((minute * 7) % 5) - 2);
    const said: Sample = {
      at_s: 60 * minute,
      medium_C: x[1]! + ripple,
      bed_C: x[0]! + ripple,
      air_C: x[2]! - ripple,
      around_C,
      floor_C: 10,
      duty,
      set_C,
      mains: true,
      night,
    };
    const sample = { ...said, ...its.fault?.(minute, said) };
    state ??= watchStart(sample);
    const looked = watch(truth, state, sample);
    state = looked.state;
    now = looked.findings.map(({ kind }) => kind);
    for (const kind of now) if (!firstSaid.has(kind)) firstSaid.set(kind, minute);
  }
  return { firstSaid: Object.fromEntries(firstSaid), now, state: state!, x };
}

describe('a bench with nothing wrong', () => {
  it('is silent through a night, a day, and a warm-up from cold, when the bed is warm long before the medium', () => {
    expect(run(600).firstSaid).toEqual({});
    expect(run(600, { night: false, around_C: 14 }).firstSaid).toEqual({});
    expect(run(600, { from: [8, 8, 7] }).firstSaid).toEqual({});
    expect(run(300, { set_C: null, from: [14, 14, 12], around_C: 12 }).firstSaid).toEqual({});
  });
  it('follows what it reads: the model’s figures end at the truth', () => {
    const { state, x } = run(300);
    expect(state.x[0]).toBeCloseTo(x[0]!, 0);
    expect(state.x[1]).toBeCloseTo(x[1]!, 1);
    expect(state.x[2]).toBeCloseTo(x[2]!, 1);
    expect(believed(state)).toBe(true);
  });
});

describe('each fault is said, by itself, in its time', () => {
  const at = (of: ReturnType<typeof run>, kind: FaultKind) => of.firstSaid[kind] ?? null;
  it('a heater that gives no heat: within half an hour of being asked for again', () => {
    const dead = run(240, { heat: (m, duty) => (m < 60 ? duty : 0) });
    expect(at(dead, 'heater-dead')).toBeGreaterThanOrEqual(64);
    expect(at(dead, 'heater-dead')).toBeLessThanOrEqual(125);
    expect(at(dead, 'relay-stuck')).toBeNull();
  });
  it('a relay stuck on: heat arrives that nobody asked for', () => {
    const stuck = run(240, { heat: (m, duty) => (m < 60 ? duty : 1) });
    expect(at(stuck, 'relay-stuck')).toBeGreaterThanOrEqual(64);
    expect(at(stuck, 'relay-stuck')).toBeLessThanOrEqual(100);
    expect(at(stuck, 'heater-dead')).toBeNull();
  });
  it('without a sensor in the bed by night alone, and later', () => {
    const blind = (fault: (m: number, duty: number) => number, night = true) =>
      run(400, { heat: fault, night, fault: () => ({ bed_C: undefined }) });
    const dead = at(
      blind((m, duty) => (m < 60 ? duty : 0)),
      'heater-dead',
    );
    expect(dead).toBeGreaterThanOrEqual(64);
    expect(dead).toBeLessThanOrEqual(200);
    expect(
      at(
        blind((m, duty) => (m < 60 ? duty : 0), false),
        'heater-dead',
      ),
    ).toBeNull();
  });
  it('power lost: at once, said by the controller or by its silence', () => {
    expect(at(run(60, { fault: (m) => (m >= 30 ? { mains: false } : {}) }), 'power-lost')).toBe(30);
    const gone = run(60, { fault: (m) => (m >= 30 ? { gone: true, medium_C: null, duty: 0 } : {}) });
    expect(at(gone, 'power-lost')).toBe(30);
    expect(at(gone, 'readings-stopped')).toBeNull();
    expect(at(run(60, { fault: () => ({ mains: null }) }), 'power-lost')).toBeNull();
  });
  it('readings stopped: five minutes without one, and then it is not believed', () => {
    const quiet = run(60, { fault: (m) => (m >= 30 ? { medium_C: null } : {}) });
    expect(at(quiet, 'readings-stopped')).toBe(34);
    expect(believed(quiet.state)).toBe(false);
    const back = run(80, { fault: (m) => (m >= 30 && m < 40 ? { medium_C: null } : {}) });
    expect(back.now).toEqual([]);
    expect(believed(back.state)).toBe(true);
  });
  it('a sensor stuck: the figure never moves, after twenty-five minutes', () => {
    const stuck = run(120, { fault: (m) => (m >= 30 ? { medium_C: 22 } : {}) });
    expect(at(stuck, 'sensor-stuck')).toBe(55);
    expect(believed(stuck.state)).toBe(false);
    expect(at(run(54, { fault: (m) => (m >= 30 ? { medium_C: 22 } : {}) }), 'sensor-stuck')).toBeNull();
  });
  it('a sensor pulled from its cell: gone to the air in minutes, back after a quarter of an hour in its cell', () => {
    const air = (m: number, said: Sample) => said.air_C! + (22 - said.air_C!) * Math.exp(-(m - 30) / 2);
    const pulled = run(60, { fault: (m, said) => (m >= 30 ? { medium_C: air(m, said) } : {}) });
    expect(at(pulled, 'sensor-out')).toBeGreaterThanOrEqual(31);
    expect(at(pulled, 'sensor-out')).toBeLessThanOrEqual(34);
    expect(believed(pulled.state)).toBe(false);
    const back = run(90, { fault: (m, said) => (m >= 30 && m < 45 ? { medium_C: air(m, said) } : {}) });
    expect(back.state.out).toBeNull();
    expect(believed(back.state)).toBe(true);
    const stillOut = run(58, { fault: (m, said) => (m >= 30 && m < 45 ? { medium_C: air(m, said) } : {}) });
    expect(stillOut.state.out).not.toBeNull();
  });
  it('a lid thrown open on a cold night, and shut again', () => {
    const open = run(200, { lidOpen: (m) => m >= 90 });
    expect(at(open, 'lid-open')).toBeGreaterThanOrEqual(100);
    expect(at(open, 'lid-open')).toBeLessThanOrEqual(125);
    expect(run(260, { lidOpen: (m) => m >= 90 && m < 150 }).now).not.toContain('lid-open');
    expect(at(run(200, { lidOpen: (m) => m >= 90, night: false, around_C: 14 }), 'lid-open')).toBeNull();
    const bare: ZoneSpec = { ...zone, cover: { day: 'none', night: 'none' } };
    expect(at(run(200, { lidOpen: (m) => m >= 90 }, bare), 'lid-open')).toBeNull();
  });
});

describe('conditions on their mark', () => {
  /** Looks by hand, a minute apart, all alike but for what is given. */
  const looks = (n: number, more: (i: number) => Partial<Sample> = () => ({}), its = w) => {
    const sample = (i: number): Sample => ({
      at_s: 60 * i,
      medium_C: 22 + 0.01 * (i % 3),
      bed_C: 26,
      air_C: 15,
      around_C: 8,
      floor_C: 10,
      duty: 0.5,
      set_C: 22,
      mains: true,
      night: true,
      ...more(i),
    });
    let state = watchStart(sample(0));
    let findings: ReturnType<typeof watch>['findings'] = [];
    for (let i = 0; i < n; i++) ({ state, findings } = watch(its, state, sample(i)));
    return { state, findings, kinds: findings.map(({ kind }) => kind) };
  };
  it('a battery under a fifth', () => {
    expect(looks(2, () => ({ battery_frac: 0.2 })).kinds).toEqual([]);
    const low = looks(2, () => ({ battery_frac: 0.19 }));
    expect(low.findings).toMatchObject([{ kind: 'battery-low', since_s: 0, evidence: [{ value: 19, unit: '%' }] }]);
    expect(looks(2, () => ({ battery_frac: null })).kinds).toEqual([]);
  });
  it('too cold: more than three under its set-point for half an hour, unless it is warming', () => {
    const cold = (medium_C: number) => () => ({ medium_C, set_C: 22, bed_C: medium_C, duty: 0 });
    expect(looks(31, cold(18.9)).kinds).toEqual(['too-cold']);
    expect(looks(30, cold(18.9)).kinds).toEqual([]);
    expect(looks(31, (i) => ({ ...cold(15)(), medium_C: 15 + 0.02 * i, bed_C: 20 })).kinds).not.toContain('too-cold');
    expect(looks(31, (i) => ({ ...cold(20)(), medium_C: 20 + 0.001 * i })).kinds).toEqual([]);
    const off = looks(31, (i) => ({
      medium_C: 5.9 + 0.0001 * i,
      bed_C: 5.9,
      set_C: null,
      duty: 0,
      around_C: 5.9,
      air_C: 5.9,
      floor_C: 5.9,
    }));
    expect(off.findings).toMatchObject([{ kind: 'too-cold', evidence: [{ name: 'medium' }, { value: 5 }] }]);
    expect(
      looks(31, (i) => ({
        medium_C: 6.3 + 0.0001 * i,
        bed_C: 6.3,
        set_C: null,
        duty: 0,
        around_C: 6.3,
        air_C: 6.3,
        floor_C: 6.3,
      })).kinds,
    ).toEqual([]);
  });
  it('too hot: over what hurts, or five over its set-point where it was heated, for a quarter of an hour', () => {
    const warm =
      (medium_C: number, duty: number, set_C: number | null = 22) =>
      () => ({
        medium_C,
        bed_C: medium_C,
        air_C: medium_C,
        around_C: medium_C,
        floor_C: medium_C,
        duty,
        set_C,
        night: false,
      });
    expect(looks(16, warm(27.5, 0.1)).kinds).toContain('too-hot');
    expect(looks(15, warm(27.5, 0.1)).kinds).not.toContain('too-hot');
    expect(looks(16, warm(26.8, 0.1)).kinds).not.toContain('too-hot');
    expect(looks(16, warm(27.5, 0)).kinds).not.toContain('too-hot');
    expect(looks(16, warm(35.5, 0, null)).findings).toMatchObject([
      { kind: 'too-hot', evidence: [{ name: 'medium' }] },
    ]);
    expect(looks(16, warm(34.5, 0, null)).kinds).toEqual([]);
  });
  it('a lid shut in the sun: hot air by day above the medium with the heater off, for five minutes', () => {
    const sun =
      (air_C: number, more: Partial<Sample> = {}) =>
      (): Partial<Sample> => ({ night: false, air_C, duty: 0, ...more });
    expect(looks(6, sun(35)).kinds).toEqual(['lid-shut']);
    expect(looks(5, sun(35)).kinds).toEqual([]);
    expect(looks(6, sun(34.9)).kinds).toEqual([]);
    expect(looks(6, sun(36, { night: true })).kinds).toEqual([]);
    expect(looks(6, sun(36, { duty: 0.2 })).kinds).toEqual([]);
  });
  it('is over ten minutes after it went, not a minute before; what was never said goes at once', () => {
    const flat =
      (until: number) =>
      (i: number): Partial<Sample> => ({ battery_frac: i < until ? 0.1 : 0.9 });
    expect(looks(14, flat(5)).kinds).toEqual(['battery-low']);
    expect(looks(15, flat(5)).kinds).toEqual([]);
    const brief = looks(40, (i) => ({ night: false, duty: 0, air_C: i % 4 === 3 ? 20 : 36 }));
    expect(brief.kinds).toEqual([]);
  });
  it('a look that is not later is left out; after six hours of silence it begins afresh', () => {
    const { state } = looks(10);
    const same = watch(w, state, { ...state.past.at(-1)!.sample, battery_frac: 0.1 });
    expect(same.state).toBe(state);
    const later = (hours: number) =>
      watch(w, state, {
        ...state.past.at(-1)!.sample,
        at_s: 540 + hours * 3600 + 60,
        medium_C: 12.5,
        bed_C: 12,
        air_C: 9,
      }).state;
    expect(later(6.1).x[1]).toBeCloseTo(12.5, 1);
    expect(later(6.1).changed.value).toBe(12.5);
    expect(state.past).toHaveLength(10);
    expect(looks(60).state.past).toHaveLength(30);
  });
});

describe('alarms', () => {
  const quiet = { from_h: 22, to_h: 6, repeat_min: 10 };
  it('quiet hours to the hour, over midnight or within a day, or none', () => {
    expect([21.9, 22, 23, 0, 5.9, 6].map((h) => inQuietHours(quiet, h))).toEqual([
      false,
      true,
      true,
      true,
      true,
      false,
    ]);
    expect([11.9, 12, 13.9, 14].map((h) => inQuietHours({ ...quiet, from_h: 12, to_h: 14 }, h))).toEqual([
      false,
      true,
      true,
      false,
    ]);
    expect(inQuietHours({ ...quiet, from_h: 12, to_h: 12 }, 12)).toBe(false);
    expect(inQuietHours({ ...quiet, from_h: null }, 23)).toBe(false);
  });
  it('sound at first, again when their time is over, never when taken; the battery waits for morning', () => {
    const at = { kind: 'too-cold', taken: false, lastSounded_ms: 0, now_ms: 600_000, hour: 23, quiet } as const;
    expect(soundsNow(at)).toBe(true);
    expect(soundsNow({ ...at, now_ms: 599_999 })).toBe(false);
    expect(soundsNow({ ...at, lastSounded_ms: null, now_ms: 1 })).toBe(true);
    expect(soundsNow({ ...at, taken: true })).toBe(false);
    expect(soundsNow({ ...at, kind: 'battery-low' })).toBe(false);
    expect(soundsNow({ ...at, kind: 'battery-low', hour: 12 })).toBe(true);
    // The clock was put back.
    expect(soundsNow({ ...at, lastSounded_ms: 700_000 })).toBe(true);
    expect(soundsNow({ ...at, lastSounded_ms: 600_000 })).toBe(false);
  });
  it('every alarm has its place, and only the battery keeps quiet', () => {
    expect([...WORST_FIRST].sort()).toEqual(Object.keys(ALARMS).sort());
    expect(WORST_FIRST.filter((kind) => !ALARMS[kind].loud)).toEqual(['battery-low']);
    expect(WORST_FIRST[0]).toBe('relay-stuck');
  });
});

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

describe('the set-point now', () => {
  const place = {
    id: 1,
    temperature: { kind: 'set-point', usual_C: 22, nightDrop_K: 3 },
    setPoints: [
      { week: requireDay('2027-04-12'), setPoint_C: 25 },
      { week: requireDay('2027-04-19'), setPoint_C: null },
    ],
    periods: [],
  } as unknown as Place;
  const at = (more: Partial<Parameters<typeof setPointNow>[0]> = {}) =>
    setPointNow({
      place,
      today: requireDay('2027-04-14'),
      night: false,
      now_ms: 1000,
      overrides: [],
      most_C: 28,
      batches: [],
      ...more,
    });
  const hand = (more: Partial<Override> = {}): Override => ({
    set_C: 24,
    from_ms: 500,
    until_ms: 2000,
    by: 'PG',
    why: 'frost',
    ...more,
  });
  it('the week’s plan by day and night, off where the week is off, the usual without one', () => {
    expect(at()).toEqual({ set_C: 25, from: 'plan', why: 'this week’s plan, for nothing that stands there' });
    expect(at({ night: true }).set_C).toBe(22);
    expect(at({ today: requireDay('2027-04-18') }).set_C).toBe(25);
    expect(at({ today: requireDay('2027-04-19') })).toMatchObject({ set_C: null, from: 'off' });
    expect(at({ today: requireDay('2027-04-11') })).toMatchObject({
      set_C: 22,
      why: expect.stringMatching(/^usual set-point, for/) as string,
    });
    expect(at({ most_C: 23 }).set_C).toBe(23);
    expect(at({ night: true, batches: ['A', 'B', 'C', 'D', 'E'] }).why).toBe(
      'this week’s plan, by night, for A, B, C and 2 more',
    );
    expect(at({ batches: ['A', 'B', 'C'] }).why).toMatch(/for A, B, C$/);
  });
  it('a person’s own from its first instant to before its last, the latest of several, never over the limit', () => {
    expect(at({ overrides: [hand()] })).toEqual({ set_C: 24, from: 'override', why: 'frost' });
    expect(at({ overrides: [hand({ from_ms: 1000 })] }).from).toBe('override');
    expect(at({ overrides: [hand({ from_ms: 1001 })] }).from).toBe('plan');
    expect(at({ overrides: [hand({ until_ms: 1000 })] }).from).toBe('plan');
    expect(at({ overrides: [hand({ set_C: 20, from_ms: 600 }), hand()] }).set_C).toBe(20);
    expect(at({ overrides: [hand(), hand({ set_C: 21 })] }).set_C).toBe(21);
    expect(at({ overrides: [hand({ set_C: 35, why: '' })] })).toMatchObject({ set_C: 28, why: 'set by hand' });
    expect(at({ overrides: [hand({ set_C: null })] })).toMatchObject({ set_C: null, from: 'override' });
  });
  it('places without a thermostat have none, each with its reason; a written one goes by what is written', () => {
    const kind = (temperature: object | null, more: object = {}) =>
      at({ place: { ...place, temperature, ...more } as unknown as Place });
    expect(kind({ kind: 'mat' }).why).toMatch(/mat/);
    expect(kind({ kind: 'hot-bed' }).why).toMatch(/hot bed/);
    expect(kind({ kind: 'outside', plusDay_K: 1, plusNight_K: 1 }).why).toMatch(/follows outside/);
    expect(kind(null).why).toMatch(/no temperature is written/);
    const periods = [{ from: '01-01', day_C: 20, night_C: 16, minimum_C: 5 }];
    expect(kind({ kind: 'written' }, { periods })).toMatchObject({ set_C: 20, from: 'plan' });
    expect(
      at({ night: true, place: { ...place, temperature: { kind: 'written' }, periods } as unknown as Place }),
    ).toMatchObject({
      set_C: 16,
      why: expect.stringMatching(/by night/) as string,
    });
  });
});
