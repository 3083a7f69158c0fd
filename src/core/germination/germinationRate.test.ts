import { describe, expect, it } from 'vitest';
import type { EmergencePoint } from '../books/crop.ts';
import { cardinalRate, daysToEmerge, emergenceShare_frac, germinationRate, tabledRate } from './germinationRate.ts';

const traits = { germBase_C: 10, germBest_C: 20, germCeiling_C: 30, germBest_days: 5, emergence: [] };
const point = (temperature_C: number, days: number | 'none' | null, percent: number | null = null): EmergencePoint => ({
  temperature_C,
  days,
  percent,
});

describe('a rate by cardinal temperatures', () => {
  it('rises in a straight line from base to best and falls to the ceiling; nothing at or beyond either', () => {
    const rate = cardinalRate(traits);
    expect([5, 10, 12, 15, 20, 22.5, 25, 30, 35].map((t) => rate(t))).toEqual([
      0,
      0,
      expect.closeTo(0.04, 12),
      expect.closeTo(0.1, 12),
      expect.closeTo(0.2, 12),
      expect.closeTo(0.15, 12),
      expect.closeTo(0.1, 12),
      0,
      0,
    ]);
    // Beyond base and ceiling it does not go below nothing.
    for (const t of [-40, 9.99, 30.01, 80, NaN]) expect(rate(t)).toBe(0);
    expect(daysToEmerge(rate, 15)).toBeCloseTo(10, 9);
    expect(daysToEmerge(rate, 10)).toBeNull();
  });

  it('refuses temperatures that do not rise and days that are none', () => {
    for (const wrong of [{ germBase_C: 20 }, { germCeiling_C: 20 }, { germBest_C: 31 }, { germBase_C: NaN }])
      expect(() => cardinalRate({ ...traits, ...wrong })).toThrow(/must rise/);
    for (const germBest_days of [0, -1, NaN])
      expect(() => cardinalRate({ ...traits, germBest_days })).toThrow(/above 0/);
  });
});

describe('a rate from a table of days', () => {
  const table = [point(25, 4), point(15, 10), point(5, null), point(20, 5)];

  it('is the table at its own temperatures, in whatever order it stands, and fades within five kelvin outside', () => {
    const rate = tabledRate(table);
    expect([15, 20, 25].map((t) => 1 / rate(t))).toEqual([10, 5, 4].map((d) => expect.closeTo(d, 9) as number));
    // What was not tried is no point of it: the rate ends five kelvin below the coldest that was.
    expect([9.99, 10, 12.5].map((t) => rate(t))).toEqual([0, 0, expect.closeTo(0.05, 9)]);
    expect([27.5, 30, 30.01].map((t) => rate(t))).toEqual([expect.closeTo(0.125, 9), 0, 0]);
    expect(rate(NaN)).toBe(0);
  });

  it('is not bridged over a wide gap to where nothing came; a narrow one is', () => {
    const wide = tabledRate([point(5, 'none'), point(20, 5), point(25, 4), point(40, 'none')]);
    expect([10, 15, 30, 35].map((t) => wide(t))).toEqual([0, 0, 0, 0]);
    expect(wide(17.5)).toBeGreaterThan(0);
    expect(wide(27.5)).toBeGreaterThan(0);
    const narrow = tabledRate([point(15, 'none'), point(20, 5), point(25, 4)]);
    expect(narrow(15)).toBe(0);
    expect(narrow(17)).toBeGreaterThan(0);
    // Between two figures a gap of any width is bridged: both were tried.
    const far = tabledRate([point(10, 10), point(25, 4)]);
    expect(far(17)).toBeGreaterThan(0.1);
    expect(far(17)).toBeLessThan(0.25);
  });

  it('is used from two figures on; one figure, or only where nothing came, leaves the cardinal temperatures', () => {
    const at15 = (emergence: EmergencePoint[]) => germinationRate({ ...traits, emergence })(15);
    expect(at15([])).toBeCloseTo(0.1, 12);
    expect(at15([point(15, 4)])).toBeCloseTo(0.1, 12);
    expect(at15([point(15, 4), point(25, 'none'), point(5, null)])).toBeCloseTo(0.1, 12);
    expect(at15([point(15, 4), point(20, 3)])).toBeCloseTo(0.25, 12);
  });
});

describe('the share that comes up at a temperature', () => {
  const table = [point(30, 4, 45), point(10, 12, 30), point(20, 5, 90), point(5, 'none', null)];

  it('is against the best, straight between the figures, held at both ends', () => {
    expect([0, 10, 15, 20, 25, 30, 40].map((t) => emergenceShare_frac(table, t))).toEqual(
      [30 / 90, 30 / 90, 60 / 90, 1, 67.5 / 90, 0.5, 0.5].map((n) => expect.closeTo(n, 12) as number),
    );
  });

  it('is unknown from fewer than two figures, or where nothing ever came', () => {
    expect(emergenceShare_frac([point(20, 5, 90), point(25, 4)], 20)).toBeNull();
    expect(emergenceShare_frac([], 20)).toBeNull();
    expect(emergenceShare_frac([point(20, 'none', 0), point(25, 'none', 0)], 20)).toBeNull();
    expect(emergenceShare_frac([point(20, 5, 90), point(25, 4, 45)], 25)).toBe(0.5);
  });
});
