import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { requireDay } from '../calendar/dayNumber.ts';
import type { Place } from '../books/place.ts';
import { ALARMS, inQuietHours, soundsNow } from './alarms.ts';
import { icePoint } from './calibration.ts';
import { costOf, price_kWh } from './cost.ts';
import { fitWords, fitZone } from './fit.ts';
import { harmBelow_C, hoursToHarm } from './harm.ts';
import { capacity_J_m2K, MATERIALS, resistance_m2K_W } from './materials.ts';
import { advance, BED, MEDIUM, networkOf, settled, stepOf, type Network } from './network.ts';
import { unbelievable, type Sample } from './sample.ts';
import { setPointNow } from './setPoint.ts';
import { modeAt, simulateHours } from './simulate.ts';
import { sizingOf, steadyNeed_W, yearOfHeat } from './sizing.ts';
import { control, CONTROL_START } from './thermostat.ts';
import { believed, watch, watched, watchStart } from './watch.ts';
import { requireZone, USUAL_ZONE, type Thermostat, type ZoneSpec } from './zone.ts';

const SHUT = { cover: 'single', open: false } as const;

/** One warm thing in a cold room. */
const oneNode = (capacity: number, conductance: number): Network => ({
  capacity_J_K: [capacity],
  links: [],
  boundaries: [{ input: 1, node: 0, conductance_W_K: conductance }],
  sources: [{ input: 0, node: 0, share_W: 1 }],
  inputs: 2,
});

describe('the network', () => {
  it('agrees with the analytic answer of one node to 1e-9', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e3, max: 1e7, noNaN: true }),
        fc.double({ min: 0.1, max: 100, noNaN: true }),
        fc.double({ min: 0, max: 500, noNaN: true }),
        fc.double({ min: -20, max: 20, noNaN: true }),
        fc.integer({ min: 1, max: 86_400 }),
        (capacity, conductance, power, around, dt) => {
          const end = around + power / conductance;
          const expected = end + (30 - end) * Math.exp((-conductance * dt) / capacity);
          const got = advance(stepOf(oneNode(capacity, conductance), dt), [30], [power, around])[0]!;
          expect(Math.abs(got - expected)).toBeLessThan(1e-9 * Math.max(1, Math.abs(end)));
        },
      ),
      { seed: 5, numRuns: 300 },
    );
  });

  it('gives the same in one step of an hour as in sixty of a minute', () => {
    const network = networkOf(USUAL_ZONE, SHUT);
    const u = [320, 100, 3, 8];
    let x: ArrayLike<number> = [10, 12, 9];
    const minute = stepOf(network, 60);
    for (let i = 0; i < 60; i++) x = advance(minute, x, u);
    const once = advance(stepOf(network, 3600), [10, 12, 9], u);
    for (let i = 0; i < 3; i++) expect(x[i]).toBeCloseTo(once[i]!, 9);
  });

  it('settles where the heat in is the heat out, and with no heat at what is round it', () => {
    const network = networkOf(USUAL_ZONE, SHUT);
    for (const value of settled(network, [0, 0, 7, 7])) expect(value).toBeCloseTo(7, 9);
    const x = settled(network, [320, 0, 0, 0]);
    const out = network.boundaries.reduce((sum, b) => sum + b.conductance_W_K * x[b.node]!, 0);
    expect(out).toBeCloseTo(320, 6);
    expect(x[BED]!).toBeGreaterThan(x[MEDIUM]!);
  });

  it('refuses what cannot be built, by name', () => {
    const wrong = (change: Partial<ZoneSpec>) => () => requireZone({ ...USUAL_ZONE, ...change });
    expect(wrong({ heater: { kind: 'mat', power_W: -50 } })).toThrow('power of the heater, W is -50');
    expect(wrong({ below: [{ material: 'foam', thickness_m: 0 }] })).toThrow('thickness of foam, m is 0');
    expect(wrong({ length_m: NaN })).toThrow('length of the zone');
    expect(() => resistance_m2K_W([{ material: 'foam', thickness_m: 0 }])).toThrow('more than 0');
    expect(() => stepOf(networkOf(USUAL_ZONE, SHUT), 0)).toThrow('more than 0');
  });
});

describe('a year of minutes', () => {
  const hours = {
    outside_C: Float64Array.from({ length: 96 }, (_, h) => 4 + 6 * Math.sin(h / 4)),
    sun_W_m2: Float64Array.from({ length: 96 }, (_, h) => Math.max(0, 300 * Math.sin(((h % 24) - 6) / 4))),
    set_C: Float64Array.from({ length: 96 }, (_, h) => (h % 24 === 3 ? NaN : 19)),
    floor_C: new Float64Array(96).fill(6),
    night: Float64Array.from({ length: 96 }, (_, h) => (h % 24 < 8 || h % 24 >= 18 ? 1 : 0)),
  };
  const thermostats: readonly Thermostat[] = [
    { kind: 'on-off', differential_K: 0.6, minOn_s: 300, minOff_s: 240 },
    { kind: 'pi', band_K: 2, reset_s: 3600, cycle_s: 900 },
  ];
  it.each(thermostats.map((t) => [t.kind, t] as const))(
    'the fast path is the slow one, step by step: %s',
    (_, thermostat) => {
      const zone: ZoneSpec = { ...USUAL_ZONE, thermostat, cover: { day: 'single', night: 'double' } };
      const fast = simulateHours(zone, hours, [15, 15, 15]);
      const steps = [false, true].map((night) => stepOf(networkOf(zone, modeAt(zone, night)), 60));
      let x: ArrayLike<number> = [15, 15, 15];
      let state = CONTROL_START;
      for (let h = 0; h < 96; h++) {
        let on = 0;
        for (let m = 0; m < 60; m++) {
          const set = hours.set_C[h]!;
          state = control(thermostat, state, {
            measured_C: x[MEDIUM]!,
            set_C: Number.isNaN(set) ? null : set,
            dt_s: 60,
            cutOut_C: zone.cutOut_C,
            mostDuty: 1,
          });
          if (state.on) on++;
          x = advance(steps[hours.night[h]!]!, x, [
            state.on ? zone.heater.power_W : 0,
            hours.sun_W_m2[h]!,
            hours.outside_C[h]!,
            hours.floor_C[h]!,
          ]);
        }
        expect(fast.energy_kWh[h], `hour ${h}`).toBeCloseTo((on * zone.heater.power_W) / 60_000, 9);
        expect(fast.medium_C[h]).toBeCloseTo(x[MEDIUM]!, 9);
      }
    },
  );

  it('refuses columns of unlike length', () => {
    expect(() => simulateHours(USUAL_ZONE, { ...hours, floor_C: new Float64Array(3) }, [1, 1, 1])).toThrow('3 of 96');
  });
});

describe('the thermostat', () => {
  const look = (measured_C: number | null, more: object = {}) => ({
    measured_C,
    set_C: 20,
    dt_s: 60,
    cutOut_C: 35,
    mostDuty: 1,
    ...more,
  });
  const onOff: Thermostat = { kind: 'on-off', differential_K: 1, minOn_s: 180, minOff_s: 180 };

  it('holds on for its least time even when warm, and never above the cut-out', () => {
    let state = control(onOff, CONTROL_START, look(15));
    expect(state.on).toBe(true);
    state = control(onOff, state, look(21));
    expect(state.on).toBe(true);
    state = control(onOff, state, look(36));
    expect(state.on).toBe(false);
  });

  it('with no believable reading runs at the share the model says, by the clock', () => {
    let state = CONTROL_START;
    let on = 0;
    for (let m = 0; m < 600; m++) {
      state = control(onOff, state, look(null, { mostDuty: 0.3 }));
      if (state.on) on++;
    }
    expect(on / 600).toBeGreaterThan(0.25);
    expect(on / 600).toBeLessThan(0.36);
    expect(control(onOff, state, look(null, { set_C: null })).on).toBe(false);
  });

  it('the proportional-integral one settles at the set-point without wind-up', () => {
    const thermostat: Thermostat = { kind: 'pi', band_K: 4, reset_s: 7200, cycle_s: 600 };
    const step = stepOf(
      networkOf({ ...USUAL_ZONE, cover: { day: 'double', night: 'double' } }, { cover: 'double', open: false }),
      60,
    );
    let x: ArrayLike<number> = [8, 8, 8];
    let state = CONTROL_START;
    let most = 0;
    const last: number[] = [];
    for (let m = 0; m < 4 * 1440; m++) {
      state = control(thermostat, state, look(x[MEDIUM]!));
      x = advance(step, x, [state.on ? 320 : 0, 0, 2, 6]);
      most = Math.max(most, x[MEDIUM]!);
      if (m > 3 * 1440) last.push(x[MEDIUM]!);
    }
    expect(last.reduce((sum, v) => sum + v, 0) / last.length).toBeCloseTo(20, 0);
    expect(most).toBeLessThan(23);
  });
});

describe('sizing and cost', () => {
  it('needs what it says it needs: at that power it settles at the set-point', () => {
    const sizing = sizingOf(USUAL_ZONE, { set_C: 20, outside_C: 2, mode: SHUT });
    const x = settled(networkOf(USUAL_ZONE, SHUT), [sizing.need_W, 0, 2, 2]);
    expect(x[MEDIUM]).toBeCloseTo(20, 9);
    const limit = settled(networkOf(USUAL_ZONE, SHUT), [320, 0, sizing.holdsTo_C, sizing.holdsTo_C]);
    expect(limit[MEDIUM]).toBeCloseTo(20, 9);
    expect(sizing.power_W_m2).toBeCloseTo(111.1, 1);
    expect(sizing.stuckOn_C).toBeGreaterThan(20);
    expect(steadyNeed_W(USUAL_ZONE, { set_C: 20, around_C: 2, floor_C: 2, mode: SHUT })).toBeCloseTo(sizing.need_W, 9);
  });

  it('more foam and more cover never take more heat', () => {
    const need = (zone: ZoneSpec, cover: 'none' | 'fleece' | 'single' | 'double') =>
      sizingOf(zone, { set_C: 20, outside_C: 0, mode: { cover, open: false } }).need_W;
    const foamed = (m: number): ZoneSpec => ({ ...USUAL_ZONE, below: [{ material: 'foam', thickness_m: m }] });
    expect(need(foamed(0.1), 'single')).toBeLessThan(need(foamed(0.05), 'single'));
    const by = (['none', 'single', 'double'] as const).map((c) => need(USUAL_ZONE, c));
    expect([...by].sort((a, b) => b - a)).toEqual(by);
    expect(
      sizingOf(foamed(0.05), { set_C: 60, outside_C: 0, mode: { cover: 'none', open: false } }).warmUp_h,
    ).toBeNull();
  });

  it('prices kilowatt-hours by the hour, over midnight as well', () => {
    const tariff = { kind: 'day-night', day_kWh: 0.3, night_kWh: 0.1, from_h: 23, to_h: 6 } as const;
    expect([22, 23, 0, 5, 6].map((h) => price_kWh(tariff, h))).toEqual([0.3, 0.1, 0.1, 0.1, 0.3]);
    // By hand: 2 kWh at 22:00 and 3 at 23:00 is 0.60 + 0.30.
    expect(costOf(tariff, [2, 3], 22)).toBeCloseTo(0.9, 12);
    expect(() => price_kWh(tariff, NaN)).toThrow('hour is NaN');
  });
});

describe('hours to harm', () => {
  it('is the logarithm of one node where the rest is taken away', () => {
    // A zone with bed and air of next to no capacity is one node: t = C / G ln((T0 - Te) / (T1 - Te)).
    const zone: ZoneSpec = {
      ...USUAL_ZONE,
      bed: { material: 'steel', thickness_m: 0.0005 },
      air_m: 0.02,
      medium_m: 0.1,
    };
    const network = networkOf(zone, SHUT);
    const [x0, x1] = [settled(network, [0, 0, 0, 0]), 0];
    expect(x0[MEDIUM]).toBeCloseTo(x1, 9);
    const [h] = hoursToHarm(zone, { start_C: [20, 20, 20], outside_C: [0], floor_C: 0, mode: SHUT }, [10]);
    const series = (...g: number[]) => 1 / g.reduce((sum, one) => sum + 1 / one, 0);
    const G =
      series(network.links[1]!.conductance_W_K, network.boundaries.find((b) => b.node === 2)!.conductance_W_K) +
      series(network.links[0]!.conductance_W_K, network.boundaries[0]!.conductance_W_K);
    const expected = ((2.88 * capacity_J_m2K({ material: 'medium', thickness_m: 0.1 })) / G / 3600) * Math.LN2;
    expect(Math.abs(h! / expected - 1)).toBeLessThan(0.05);
  });

  it('a cover buys time, what is already there is nought, and what never comes is null', () => {
    const cool = (cover: 'none' | 'double', levels: number[], outside = -5) =>
      hoursToHarm(
        USUAL_ZONE,
        { start_C: [24, 20, 14], outside_C: [outside], floor_C: 4, mode: { cover, open: false } },
        levels,
      );
    expect(cool('double', [7])[0]!).toBeGreaterThan(cool('none', [7])[0]!);
    expect(cool('none', [25, 10, 5])).toEqual([0, expect.any(Number), expect.any(Number)]);
    expect(cool('none', [10], 15)).toEqual([null]);
    expect(
      (['tropical', 'tender', 'half-hardy', 'hardy'] as const).map((hardiness) => harmBelow_C({ hardiness })),
    ).toEqual([10, 7, 1, -3]);
  });
});

const asleep = (at_min: number, more: Partial<Sample> = {}): Sample => ({
  at_s: at_min * 60,
  medium_C: 20,
  bed_C: 24,
  air_C: 12,
  around_C: 4,
  floor_C: 6,
  duty: 0.5,
  set_C: 20,
  mains: true,
  night: true,
  ...more,
});

describe('the watch', () => {
  it('tells temperatures from what failed sensors send', () => {
    expect([85, -127, NaN, null, '20', Infinity, 300].map(unbelievable)).toEqual([
      'power-on value 85',
      'no sensor, -127',
      'not a number',
      'not a number',
      'not a number',
      'not a number',
      'out of range',
    ]);
    expect([84.9, -20, 0].map(unbelievable)).toEqual([null, null, null]);
  });

  it('leaves out looks that come late or twice, and starts afresh after a long silence', () => {
    const w = watched(USUAL_ZONE, { hot_C: 33, harm_C: 5 });
    let state = watchStart(asleep(0));
    state = watch(w, state, asleep(10)).state;
    expect(watch(w, state, asleep(10, { medium_C: 3 })).state).toBe(state);
    expect(watch(w, state, asleep(5, { medium_C: 3 })).state).toBe(state);
    const later = watch(w, state, asleep(10 + 600));
    expect(later.state.past).toHaveLength(1);
  });

  it('says nothing was believable after five minutes, and is content again ten minutes after', () => {
    const w = watched(USUAL_ZONE, { hot_C: 33, harm_C: 5 });
    let state = watchStart(asleep(0));
    const run = (from: number, to: number, more: Partial<Sample>) => {
      let kinds: string[] = [];
      for (let m = from; m <= to; m++) {
        const noise = (m % 3) * 0.0625;
        const medium = more.medium_C === null ? null : 20 + noise;
        const looked = watch(w, state, asleep(m, { ...more, medium_C: medium }));
        state = looked.state;
        kinds = looked.findings.map((f) => f.kind);
      }
      return kinds;
    };
    expect(run(1, 20, {})).toEqual([]);
    expect(run(21, 26, { medium_C: null })).toContain('readings-stopped');
    expect(believed(state)).toBe(false);
    expect(run(27, 45, {})).not.toContain('readings-stopped');
    expect(run(46, 46, { mains: false })).toContain('power-lost');
    expect(run(47, 47, { battery_frac: 0.1 })).toContain('battery-low');
  });

  it('sounds at once, again until taken, and not for a battery at night', () => {
    const quiet = { from_h: 22, to_h: 6, repeat_min: 10 };
    const at = { kind: 'too-cold', taken: false, lastSounded_ms: null, now_ms: 0, hour: 23, quiet } as const;
    expect(soundsNow(at)).toBe(true);
    expect(soundsNow({ ...at, lastSounded_ms: 0, now_ms: 9 * 60_000 })).toBe(false);
    expect(soundsNow({ ...at, lastSounded_ms: 0, now_ms: 10 * 60_000 })).toBe(true);
    expect(soundsNow({ ...at, taken: true })).toBe(false);
    expect(soundsNow({ ...at, kind: 'battery-low' })).toBe(false);
    expect(soundsNow({ ...at, kind: 'battery-low', hour: 12 })).toBe(true);
    expect(inQuietHours({ from_h: null, to_h: 0, repeat_min: 5 }, 3)).toBe(false);
    for (const { first } of Object.values(ALARMS)) expect(first.length).toBeGreaterThan(20);
  });
});

describe('calibration', () => {
  const minute = (value: (i: number) => number) =>
    Array.from({ length: 13 }, (_, i) => ({ at_s: i * 5, value_C: value(i) }));
  it('takes the mean of a steady minute', () => {
    expect(icePoint(minute((i) => -0.3 + (i % 2) * 0.0625))).toMatchObject({ kind: 'stable', readings: 13 });
    const found = icePoint(minute(() => -0.25));
    expect(found.kind === 'stable' && found.offset_K).toBeCloseTo(-0.25, 12);
  });
  it('waits for what moves, comes short or is not in the ice', () => {
    expect(icePoint([])).toMatchObject({ why: expect.stringContaining('no reading') });
    expect(icePoint(minute((i) => 5 - i * 0.3))).toMatchObject({
      kind: 'not-yet',
      why: expect.stringContaining('still moving'),
    });
    expect(icePoint(minute((i) => i * 0).slice(0, 4))).toMatchObject({ why: expect.stringContaining('wait') });
    expect(icePoint(minute(() => 18))).toMatchObject({ why: expect.stringContaining('Is it in the ice') });
  });
});

describe('what a zone’s own nights teach', () => {
  const nightsOf = (zone: ZoneSpec, noise_K = 0): Sample[] => {
    const step = stepOf(networkOf(zone, modeAt(zone, true)), 300);
    let x: ArrayLike<number> = [24, 20, 12];
    return Array.from({ length: 120 }, (_, i) => {
      const duty = i % 24 < 12 ? 1 : 0.2;
      const around = 3 + Math.sin(i / 20);
      if (i > 0) x = advance(step, x, [duty * 320, 0, around, 6]);
      const wobble = noise_K * Math.sin(i * 12.9898);
      return asleep(i * 5, { medium_C: x[MEDIUM]! + wobble, bed_C: x[BED]!, air_C: x[2]!, around_C: around, duty });
    });
  };
  it('finds back the factors a made-up truth was run with', () => {
    const truth = { ...USUAL_ZONE, fit: { loss_factor: 1.3, capacity_factor: 0.85 } };
    const fit = fitZone(USUAL_ZONE, nightsOf(truth, 0.05));
    if (fit.kind !== 'fitted') throw new Error(fit.why);
    expect(fit.loss_factor).toBeCloseTo(1.3, 1);
    expect(fit.capacity_factor).toBeCloseTo(0.85, 1);
    expect(fit.residual_K).toBeLessThan(0.1);
    expect(fit.before_K).toBeGreaterThan(fit.residual_K);
    expect(fitWords(fit)).toContain('more than built');
  });
  it('says why when it cannot', () => {
    expect(fitZone(USUAL_ZONE, nightsOf(USUAL_ZONE).slice(0, 30))).toMatchObject({
      kind: 'not-fitted',
      why: expect.stringContaining('hours'),
    });
    const flat = nightsOf(USUAL_ZONE).map((s) => ({ ...s, medium_C: 5, around_C: 4 }));
    expect(fitZone(USUAL_ZONE, flat)).toMatchObject({ why: expect.stringContaining('3 K') });
    const wild = nightsOf(USUAL_ZONE).map((s, i) => ({ ...s, medium_C: 20 + 8 * Math.sin(i) }));
    expect(fitWords(fitZone(USUAL_ZONE, wild))).toContain('Not learned');
  });
});

describe('the set-point now', () => {
  const today = requireDay('2027-04-14');
  const place = {
    id: 3,
    name: 'Bench',
    kind: 'bench',
    lit: true,
    room_trays: 4,
    walkOrder: 1,
    periods: [{ from: '01-01', day_C: 22, night_C: 17 }],
    temperature: {
      kind: 'set-point',
      levels_C: [18, 23],
      usual_C: 23,
      nightDrop_K: 3,
      unheatedPlus_K: 5,
      loss_W_per_K: 9,
    },
    setPoints: [{ week: requireDay('2027-04-12'), setPoint_C: 18 }],
  } as Place;
  const at = { place, today, night: false, now_ms: 1000, overrides: [], most_C: 30, batches: ['Tomato A'] };
  it('is the week’s plan, its night drop, a person’s own while it lasts, never over the limit', () => {
    expect(setPointNow(at)).toMatchObject({ set_C: 18, from: 'plan' });
    expect(setPointNow({ ...at, night: true })).toMatchObject({ set_C: 15 });
    expect(setPointNow({ ...at, today: today + 7 })).toMatchObject({ set_C: 23 });
    const mine = { set_C: 40, from_ms: 500, until_ms: 2000, by: 'Ann', why: 'slow peppers' };
    expect(setPointNow({ ...at, overrides: [mine] })).toEqual({ set_C: 30, from: 'override', why: 'slow peppers' });
    expect(setPointNow({ ...at, overrides: [mine], now_ms: 2000 })).toMatchObject({ set_C: 18, from: 'plan' });
    const { temperature: _, ...written } = place;
    expect(setPointNow({ ...at, place: written, night: true })).toMatchObject({ set_C: 17 });
    expect(
      setPointNow({ ...at, place: { ...place, setPoints: [{ week: requireDay('2027-04-12'), setPoint_C: null }] } }),
    ).toMatchObject({ set_C: null, from: 'off' });
  });
});

it('a year of heat is dearest in the coldest month', () => {
  const normals = Array.from({ length: 12 }, (_, m) => ({
    day_C: 12 - 8 * Math.cos((2 * Math.PI * m) / 12),
    night_C: 5 - 6 * Math.cos((2 * Math.PI * m) / 12),
  }));
  const year = yearOfHeat(USUAL_ZONE, { normals, latitude_deg: 52, setDay_C: 20, setNight_C: 20 });
  expect(year.indexOf(year.reduce((a, b) => (b.perDay_kWh > a.perDay_kWh ? b : a)))).toBe(0);
  expect(MATERIALS.foam.conductivity_W_mK).toBeLessThan(MATERIALS.sand.conductivity_W_mK);
});
