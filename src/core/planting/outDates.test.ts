import { describe, expect, it } from 'vitest';
import { demoWeather } from '../../../simulators/demoWeather.ts';
import { earliestOut, LAYER_K, OUT_HARM_C, riskOffsets } from './outDates.ts';

const lows = demoWeather('1990-01-01', '2019-12-31').map((d) => ({ day: d.day, least_C: d.least_C! }));
const crop = { hardiness: 'tender', plantSoilMin_C: -20, plantNightMin_C: -20 } as const;

describe('the first day out', () => {
  it('is later for tender plants, at a smaller risk, and sooner under covers', () => {
    const at = riskOffsets(lows, 0.1, false);
    const out = (hardiness: keyof typeof OUT_HARM_C, cover = 0, risk = at) =>
      earliestOut({ ...crop, hardiness }, risk, null, cover).offset!;
    expect(out('hardy')).toBeLessThan(out('half-hardy'));
    expect(out('half-hardy')).toBeLessThan(out('tender'));
    expect(out('tender')).toBeLessThan(out('tropical'));
    expect(out('tender', 0, riskOffsets(lows, 0.5, false))).toBeLessThan(out('tender'));
    const saved = [1, 2, 3].map((n) => out('tender') - out('tender', n * LAYER_K));
    expect(saved[0]).toBeGreaterThan(3);
    expect(saved[1]).toBeGreaterThan(saved[0]!);
    expect(saved[2]).toBeGreaterThan(saved[1]!);
    // The rule of three to four weeks a layer (common practice, no source) is of the size the degrees give.
    expect(Math.abs(saved[0]! / 7 - 3.5)).toBeLessThan(2);
  });
  it('waits for soil and nights, and says which decides', () => {
    const at = riskOffsets(lows, 0.1, false);
    const rising = { soil_C: (d: number) => d / 10, night_C: (d: number) => d / 20 };
    const frost = earliestOut(crop, at, rising, 0);
    expect(frost.by).toBe('frost');
    expect(earliestOut({ ...crop, plantSoilMin_C: 17 }, at, rising, 0)).toEqual({ offset: 170, by: 'soil' });
    expect(earliestOut({ ...crop, plantNightMin_C: 9 }, at, rising, 0)).toEqual({ offset: 180, by: 'nights' });
    expect(earliestOut({ ...crop, plantNightMin_C: 9 }, at, rising, 2).offset).toBe(
      140 > frost.offset! ? 140 : frost.offset,
    );
    expect(earliestOut({ ...crop, plantSoilMin_C: 40 }, at, rising, 0)).toEqual({ offset: null, by: 'soil' });
  });
  it('where it never freezes is the first of the season, and without history unknown', () => {
    const warm = lows.map((d) => ({ ...d, least_C: 12 }));
    expect(earliestOut(crop, riskOffsets(warm, 0.1, false), null, 0)).toEqual({ offset: 0, by: 'frost' });
    expect(earliestOut(crop, riskOffsets([], 0.1, false), null, 0).offset).toBeNull();
  });
});

describe('a mild midwinter', () => {
  it('that is warm enough before the cold comes is no first day out', () => {
    const crop = { hardiness: 'hardy', plantSoilMin_C: 7, plantNightMin_C: 2 } as const;
    // Soil at 9 on 1 January, 4 in February, 9 again from mid April.
    const usual = {
      soil_C: (day: number) => 6.5 + 2.5 * Math.cos((2 * Math.PI * day) / 105),
      night_C: () => 5,
    };
    const { offset, by } = earliestOut(crop, () => -Infinity, usual, 0);
    expect(by).toBe('soil');
    expect(offset!).toBeGreaterThan(50);
    for (let day = offset!; day < 105; day++) expect(usual.soil_C(day)).toBeGreaterThanOrEqual(7);
  });
});
