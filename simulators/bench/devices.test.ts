import { describe, expect, it } from 'vitest';
import { USUAL_ZONE } from '../../src/core/heat/zone.ts';
import { watched } from '../../src/core/heat/watch.ts';
import { Bench, weatherAt } from './devices.ts';
import { NIGHT_min, startNight, stepNight, type NightState } from '../../src/core/heat/bench/trainingNight.ts';
import { DEMO_SITE, DEMO_ZONES, demoReadings, demoSeasonHours } from '../demoHeat.ts';
import type { Broken } from '../../src/core/heat/bench/physics.ts';

const NOW = Date.parse('2027-02-12T18:00:00Z');
const bench = (set_C = 20) => new Bench({ device: 'b', spec: USUAL_ZONE }, DEMO_SITE, NOW, set_C, 4);
const hours = (b: Bench, n: number) => b.runTo(b.at_ms + n * 3_600_000);
const share = (list: readonly { heater: number }[]) => list.reduce((sum, r) => sum + r.heater, 0) / list.length;

describe('a simulated controller, as docs/DEVICES.md has it', () => {
  it('sends a minute at a time and holds its set-point on a winter night', () => {
    const b = bench(15);
    hours(b, 4);
    const sent = hours(b, 6);
    expect(sent).toHaveLength(360);
    for (const [i, r] of sent.entries()) expect(r.at_ms).toBe(sent[0]!.at_ms + i * 60_000);
    const mean = sent.reduce((sum, r) => sum + r.medium, 0) / sent.length;
    expect(mean).toBeGreaterThan(14);
    expect(mean).toBeLessThan(16.5);
  });

  it('keeps to the last set-point it was told when nobody tells it more', () => {
    const b = bench();
    b.config = { ...b.config, set_C: 16 };
    hours(b, 30);
    expect(hours(b, 1).every((r) => r.set === 16)).toBe(true);
  });

  it('is off at no set-point and above the cut-out', () => {
    const b = bench();
    b.config = { ...b.config, set_C: null };
    expect(share(hours(b, 3))).toBe(0);
    b.config = { ...b.config, set_C: 25, cutOut_C: 5 };
    expect(share(hours(b, 3).slice(5))).toBe(0);
  });

  it('not believed, runs no more than it is allowed', () => {
    const b = bench();
    b.config = { ...b.config, believe: false, safeDuty: 0.25, set_C: 28 };
    hours(b, 1);
    expect(share(hours(b, 10))).toBeLessThan(0.3);
    // A figure that never moves is not believed by the controller itself.
    const stuck = bench();
    stuck.config = { ...stuck.config, safeDuty: 0.2, set_C: 28 };
    stuck.broken = { sensorStuck: true };
    hours(stuck, 2);
    expect(share(hours(stuck, 10))).toBeLessThan(0.25);
  });

  it('each thing broken shows as it would', () => {
    const read = (broken: Bench['broken'], n = 3) => {
      const b = bench();
      hours(b, 4);
      b.broken = broken;
      return hours(b, n).at(-1)!;
    };
    const sound = read({});
    expect(read({ sensorOut: true }).medium).toBeLessThan(sound.medium - 3);
    expect(read({ powerOff: true }).mains).toBe(false);
    expect(read({ powerOff: true }, 8).medium).toBeLessThan(sound.medium - 1);
    expect(read({ lidOpen: true }).air).toBeLessThan(sound.air - 1);
    expect(Math.abs(read({ inIce: true }).medium - 0.31)).toBeLessThan(0.1);
    expect(read({ heaterOpen: true }, 8).bed).toBeLessThan(sound.bed - 2);
    expect(read({ relayStuck: true }, 8).bed).toBeGreaterThan(sound.bed);
  });

  it('a clock put back or far on makes nothing up for the time between', () => {
    const b = bench();
    expect(b.runTo(NOW + 400 * 3_600_000)).toHaveLength(1);
    expect(b.runTo(NOW)).toHaveLength(1);
  });
});

describe('made-up weather and readings', () => {
  it('is the same whenever it is asked, and colder before dawn than after noon', () => {
    for (let day = 0; day < 200; day += 7) {
      const at = (hour: number) => weatherAt(Date.UTC(2027, 0, 5 + day, hour - 1), DEMO_SITE);
      expect(at(14)).toEqual(at(14));
      expect(at(14).outside_C).toBeGreaterThan(at(5).outside_C);
      expect(at(1).sun_W_m2).toBe(0);
      expect(at(12).sun_W_m2).toBeGreaterThan(20);
    }
  });

  it('of the demo stays where seedlings live, for every zone', () => {
    const end = Date.parse('2027-04-12T06:00:00Z');
    for (const zone of [...demoReadings(end, 2), ...demoSeasonHours(end - 20 * 86_400_000, end)]) {
      expect(zone.columns.medium.length).toBe(zone.at_ms.length);
      const set = DEMO_ZONES.find((z) => z.device === zone.device)!;
      expect(Math.min(...zone.columns.medium)).toBeGreaterThan(set.set_C - set.drop_K - 4);
      expect(Math.max(...zone.columns.medium)).toBeLessThan(33);
      for (const duty of zone.columns.heater) expect(duty >= 0 && duty <= 1 + 1e-9).toBe(true);
    }
  });
});

describe('the training night', () => {
  const plan = { watched: watched(USUAL_ZONE, { hot_C: 33, harm_C: 5 }), set_C: 18, least_C: 2, most_C: 12, seed: 3 };
  const run = (broken: Broken, from = 120, to = NIGHT_min) => {
    let state: NightState = startNight(plan);
    const heard = new Set<string>();
    while (state.minute < to) {
      state = stepNight(plan, state, state.minute >= from ? broken : {});
      for (const f of state.findings) heard.add(f.kind);
    }
    return { state, heard: [...heard] };
  };

  it('says nothing on a sound night, and the same night comes again from the same seed', () => {
    const [a, b] = [run({}), run({})];
    expect(a.heard.filter((kind) => kind !== 'too-cold')).toEqual([]);
    expect(a.state.trace.at(-1)).toEqual(b.state.trace.at(-1));
    expect(a.state.energy_kWh).toBeGreaterThan(0.2);
  });

  it('says what was broken', () => {
    expect(run({ sensorOut: true }, 120, 200).heard).toContain('sensor-out');
    expect(run({ powerOff: true }, 120, 130).heard).toContain('power-lost');
    expect(run({ silent: true }, 120, 130).heard).toContain('readings-stopped');
    const warm = run({}).state.trace.at(-1)!.true_C;
    expect(run({ powerOff: true }, 120).state.trace.at(-200)!.true_C).toBeLessThan(warm);
  });
});
