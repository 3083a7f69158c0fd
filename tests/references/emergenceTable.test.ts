import { describe, expect, it } from 'vitest';
import { emergenceTables } from '../../src/contracts/books/cropLibrary.ts';
import {
  cardinalRate,
  daysToEmerge,
  emergenceShare_frac,
  germinationRate,
  tabledRate,
} from '../../src/core/germination/germinationRate.ts';
import { progressOverHours } from '../../src/core/germination/progress.ts';
import { hoursOfDay } from '../../src/core/plan/schedule/placeClimate.ts';
import { cropNamed, texts } from './library.ts';

// Harrington & Minges 1954, Vegetable Seed Germination (University of California Agricultural Extension Service),
// written down from memory. The check below reads the file's raw columns itself, not through the parser under test.
const header = texts.emergenceDays
  .split('\n')
  .find((line) => line.startsWith('crop,'))!
  .split(',');
const lines = texts.emergenceDays
  .split('\n')
  .filter((line) => line && !line.startsWith('#') && !line.startsWith('crop,'));
const tables = emergenceTables(texts);

describe('days to emerge at every tabled crop and temperature', () => {
  it('has 24 crops and no fewer than 150 figures', () => {
    expect(lines).toHaveLength(24);
    expect(lines.flatMap((line) => line.split(',').slice(1)).filter((cell) => cell !== '').length).toBeGreaterThan(150);
  });

  it.each(lines.map((line) => line.split(',')))('%s', (crop, ...cells) => {
    const rate = tabledRate(tables.get(crop!)!);
    cells.forEach((cell, i) => {
      const temperature_C = Number(header[i + 1]);
      if (cell === '') return;
      const days = daysToEmerge(rate, temperature_C);
      if (cell === 'NG') expect(days, `${crop} at ${temperature_C}`).toBeNull();
      else expect(days, `${crop} at ${temperature_C}`).toBeCloseTo(Number(cell), 9);
    });
  });
});

describe('between and beyond the tabled temperatures', () => {
  it('never passes its neighbours, so no rate is better than the table allows', () => {
    for (const [crop, table] of tables) {
      const rate = tabledRate(table);
      const tested = table.filter((p) => typeof p.days === 'number');
      for (let i = 0; i + 1 < tested.length; i++) {
        const [a, b] = [tested[i]!, tested[i + 1]!];
        if (b.temperature_C - a.temperature_C > 5) continue;
        for (let s = 0; s <= 1; s += 0.1) {
          const r = rate(a.temperature_C + s * 5);
          expect(r, crop).toBeGreaterThanOrEqual(Math.min(1 / Number(a.days), 1 / Number(b.days)) - 1e-12);
          expect(r, crop).toBeLessThanOrEqual(Math.max(1 / Number(a.days), 1 / Number(b.days)) + 1e-12);
        }
      }
    }
  });

  it('is not extrapolated upward past the last tested temperature and ends 5 K beyond', () => {
    const cabbage = tabledRate(tables.get('cabbage')!);
    expect(cabbage(32)).toBeLessThan(cabbage(30));
    expect(cabbage(35)).toBe(0);
    expect(cabbage(0)).toBe(0);
    expect(cabbage(7)).toBeLessThan(cabbage(10));
    expect(cabbage(-40)).toBe(0);
    expect(cabbage(NaN)).toBe(0);
  });
});

describe('hour by hour', () => {
  it('adds up to 1 in the tabled days at every constant temperature of the table', () => {
    for (const [crop, table] of tables) {
      const rate = tabledRate(table);
      for (const point of table) {
        if (typeof point.days !== 'number') continue;
        const hours = new Float64Array(Math.round(point.days * 24)).fill(point.temperature_C);
        expect(Math.abs(progressOverHours(rate, hours) - 1), crop).toBeLessThan(0.5 / (point.days * 24) + 1e-9);
      }
    }
  });
  it('a swing about the optimum is slower than the same mean held steady', () => {
    const tomato = tabledRate(tables.get('tomato')!);
    expect(progressOverHours(tomato, hoursOfDay(38, 17))).toBeLessThan(
      progressOverHours(tomato, hoursOfDay(27.5, 27.5)),
    );
    expect([...hoursOfDay(20, 10)].filter((t) => t === 20)).toHaveLength(12);
  });
});

describe('cardinal temperatures', () => {
  const crop = {
    germBase_C: 10,
    germBest_C: 24,
    germCeiling_C: 34,
    germBest_days: 6,
    emergence: [],
  };
  // Worked by hand from Garcia-Huidobro, Monteith & Squire 1982: theta50 = 6 x 14 = 84 degree-days.
  it('follows (T - Tb) / theta50 below the optimum', () => {
    expect(daysToEmerge(cardinalRate(crop), 17)).toBeCloseTo(84 / 7, 9);
    expect(daysToEmerge(cardinalRate(crop), 24)).toBeCloseTo(6, 9);
  });
  it('falls in a straight line to the ceiling', () => {
    expect(cardinalRate(crop)(29)).toBeCloseTo(1 / 12, 9);
    expect(daysToEmerge(cardinalRate(crop), 34)).toBeNull();
    expect(daysToEmerge(cardinalRate(crop), 10)).toBeNull();
  });
  it('refuses cardinal temperatures out of order', () => {
    expect(() => cardinalRate({ ...crop, germBest_C: 9 })).toThrow(/must rise/);
  });
});

describe('share of seedlings', () => {
  it('reads tomato at 35 as the table has it: 46 of a best 98 (Harrington & Minges 1954, from memory)', () => {
    expect(emergenceShare_frac(tables.get('tomato')!, 35)).toBeCloseTo(46 / 98, 9);
    expect(emergenceShare_frac([], 20)).toBeNull();
  });
  it('makes nothing up between what did not come and the first that did: watermelon at 10', () => {
    const rate = germinationRate(cropNamed('watermelon'));
    // Tried and none at 5, nothing tried till 20 (11.8 days): at 10 and 15 no figure, at 18 a slow one.
    expect([5, 10, 15].map((t) => daysToEmerge(rate, t))).toEqual([null, null, null]);
    expect(daysToEmerge(rate, 18)!).toBeGreaterThan(11.8);
    expect(daysToEmerge(rate, 20)).toBeCloseTo(11.8, 9);
  });
});
