import { describe, expect, it } from 'vitest';
import { sun_W_m2 } from '../weather/hourly.ts';
import { simulateHours } from './simulate.ts';
import { switchOn } from './switchOn.ts';
import { coverOn } from './yearHours.ts';
import { USUAL_ZONE, type ZoneSpec } from './zone.ts';

const CONCRETE: ZoneSpec = {
  ...USUAL_ZONE,
  heater: { kind: 'slab', power_W: 320 },
  bed: { material: 'concrete', thickness_m: 0.1 },
};

/** Hours from midnight of so many days in mid March, bright or dull on each. */
function weather(days: readonly ('bright' | 'dull')[]) {
  const n = 24 * days.length;
  const column = (value: (hour: number, sky: 'bright' | 'dull') => number) =>
    Float64Array.from({ length: n }, (_, i) => value(i % 24, days[Math.floor(i / 24)]!));
  return {
    outside_C: column((h) => 6 + 4 * Math.sin(((h - 9) / 24) * 2 * Math.PI)),
    sun_W_m2: column((h, sky) => sun_W_m2(52, 75, sky === 'bright' ? 1 : 0.05, h + 0.5)),
    floor_C: column(() => 6),
    night: column((h) => (coverOn(h) ? 1 : 0)),
  };
}

describe('the hour to switch a cold bed on', () => {
  const start = [6, 6, 6] as const;

  it('is about midday on a bright day, for a light bed of the same day', () => {
    const found = switchOn(USUAL_ZONE, weather(['bright']), 0, 18, 21, start)!;
    expect(found.at_h).toBeGreaterThanOrEqual(10);
    expect(found.at_h).toBeLessThanOrEqual(16);
    expect(found.saves_kWh).toBeNull();
    const dull = switchOn(USUAL_ZONE, weather(['dull']), 0, 18, 21, start)!;
    expect(dull.at_h).toBeLessThan(found.at_h);
    expect(dull.energy_kWh).toBeGreaterThan(found.energy_kWh);
  });

  it('is the sooner the heavier the bed, and saves against the evening before', () => {
    const hours = weather(['dull', 'bright', 'dull']);
    const light = switchOn(USUAL_ZONE, hours, 0, 66, 21, start)!;
    const heavy = switchOn(CONCRETE, hours, 0, 66, 21, start)!;
    expect(heavy.at_h).toBeLessThan(light.at_h);
    expect(heavy.takes_h).toBeGreaterThan(light.takes_h);
    expect(heavy.saves_kWh).toBeGreaterThan(0);
  });

  it('takes no more than any other hour of the day at which somebody is there and it would be warm', () => {
    const hours = weather(['dull', 'bright']);
    const found = switchOn(CONCRETE, hours, 0, 42, 20, start)!;
    for (let at = 7; at < 42; at++) {
      if (at % 24 < 7 || at % 24 > 20) continue;
      const set_C = Float64Array.from({ length: 48 }, (_, i) => (i < at ? NaN : 20));
      const run = simulateHours(CONCRETE, { ...hours, set_C }, start);
      if (run.medium_C[41]! < 19.5) continue;
      const taken = run.energy_kWh.slice(0, 42).reduce((sum, e) => sum + e, 0);
      expect(found.energy_kWh).toBeLessThanOrEqual(taken + 1e-9);
    }
  });

  it.each([
    ['a light bed, two days', USUAL_ZONE, ['dull', 'bright'], 0, 42, 20, [6, 6, 6]],
    ['from the evening on', USUAL_ZONE, ['bright', 'dull'], 18, 30, 21, [8, 8, 7]],
    ['wanted at the end of the forecast', USUAL_ZONE, ['dull'], 5, 24, 18, [6, 6, 6]],
    ['a heavy bed from the night before', CONCRETE, ['dull', 'dull', 'bright'], 20, 60, 20, [6, 6, 6]],
    ['nearly warm already', USUAL_ZONE, ['dull'], 22, 12, 20, [26, 20, 14]],
    ['wanted the next hour', USUAL_ZONE, ['dull'], 9, 1, 20, [26, 20, 14]],
    ['in the first hours of the night', USUAL_ZONE, ['dull'], 0, 6, 20, [24, 19, 12]],
  ] as const)(
    'is the cheapest of all hours that are allowed, by trying each: %s',
    (_, spec, days, first, wanted, set, from) => {
      const hours = weather(days);
      const tried = (at: number) => {
        const set_C = Float64Array.from({ length: wanted }, (_h, i) => (i < at ? NaN : set));
        const cut = Object.fromEntries(
          Object.entries(hours).map(([key, column]) => [key, column.slice(0, wanted)]),
        ) as typeof hours;
        const { medium_C, energy_kWh } = simulateHours(spec, { ...cut, set_C }, from);
        const warm = Array.from(medium_C).findIndex((t, i) => i >= at && t >= set - 0.5);
        return {
          at,
          inTime: medium_C[wanted - 1]! >= set - 0.5,
          takes: warm + 1 - at,
          kWh: Array.from(energy_kWh).reduce((a, b) => a + b, 0),
        };
      };
      // Now, or at an hour at which somebody is there.
      const allowed = Array.from({ length: wanted }, (_h, at) => at).filter(
        (at) => at === 0 || ((first + at) % 24 >= 7 && (first + at) % 24 <= 20),
      );
      const best = allowed
        .map(tried)
        .filter(({ inTime }) => inTime)
        .sort((a, b) => a.kWh - b.kWh || a.at - b.at)[0]!;
      const found = switchOn(spec, hours, first, wanted, set, from)!;
      expect(found).toMatchObject({ at_h: best.at, takes_h: best.takes });
      expect(found.energy_kWh).toBeCloseTo(best.kWh, 9);
      // Six the evening before it: the last one that is not the hour itself.
      const evenings = Array.from({ length: best.at }, (_h, at) => at).filter((at) => (first + at) % 24 === 18);
      const evening = evenings.at(-1);
      if (evening === undefined) expect(found.saves_kWh).toBeNull();
      else expect(found.saves_kWh).toBeCloseTo(tried(evening).kWh - best.kWh, 9);
    },
  );

  it('is none where the bed cannot be warm in time', () => {
    expect(
      switchOn({ ...CONCRETE, heater: { kind: 'slab', power_W: 40 } }, weather(['dull']), 0, 18, 24, start),
    ).toBeNull();
    for (const wanted of [99, 25, 0, NaN])
      expect(() => switchOn(CONCRETE, weather(['dull']), 0, wanted, 20, start)).toThrow('wanted_h');
  });
});
