import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cropNamed, crops } from '../../../tests/references/library.ts';
import { progressOverHours } from '../germination/progress.ts';
import { germinationRate } from '../germination/germinationRate.ts';
import { hourly_C } from '../weather/hourly.ts';
import { hoursOfDay } from '../plan/schedule/placeClimate.ts';
import { degreeDaysOfHours, growthAt_degreeDays, lightFactor } from './growthRate.ts';
import { stageDays } from './stageDays.ts';
import { ruleWeeks } from './stageSums.ts';
import { daysToEmerge } from '../germination/germinationRate.ts';

const hoursBetween = (most_C: number, least_C: number, dayLength_h = 12) =>
  Float64Array.from({ length: 24 }, (_, h) => hourly_C({ hour: h + 0.5, least_C, most_C, dayLength_h }));

describe('growth by temperature', () => {
  it('is the degree-day below the optimum and Yan and Hunt’s beta function above it', () => {
    for (const crop of crops) {
      const { base_C, growOptimum_C: best, growCeiling_C: most } = crop;
      expect(growthAt_degreeDays(crop, base_C)).toBe(0);
      expect(growthAt_degreeDays(crop, (base_C + best) / 2)).toBeCloseTo((best - base_C) / 2, 9);
      expect(growthAt_degreeDays(crop, best)).toBeCloseTo(best - base_C, 9);
      expect([most, most + 1, most + 20].map((t) => growthAt_degreeDays(crop, t))).toEqual([0, 0, 0]);
      // Yan & Hunt 1999, eq. 6, written from the publication: r / Rmax = ((Tm - T)/(Tm - To)) (T - Tb / To - Tb)^((To - Tb)/(Tm - To)).
      const at = (best + most) / 2;
      const beta =
        ((most - at) / (most - best)) * Math.pow((at - base_C) / (best - base_C), (best - base_C) / (most - best));
      expect(growthAt_degreeDays(crop, at) / (best - base_C), crop.name).toBeCloseTo(beta, 9);
      expect(beta).toBeLessThan(1);
    }
  });
  it('falls above the optimum: lettuce at 35 and 28 does not grow as at 26 and 20', () => {
    const lettuce = cropNamed('lettuce');
    const hot = degreeDaysOfHours(lettuce, hoursOfDay(35, 28));
    const warm = degreeDaysOfHours(lettuce, hoursOfDay(26, 20));
    expect(hot).toBeLessThan(0.4 * warm);
  });
  it('goes by the hours: pepper between 16 and 3 gains something, by halves of its mean nothing', () => {
    const pepper = cropNamed('pepper');
    expect((16 + 3) / 2).toBeLessThan(pepper.base_C);
    // An outside re-computation by hours gave 1.75 degree-days.
    expect(degreeDaysOfHours(pepper, hoursBetween(16, 3))).toBeCloseTo(1.75, 0);
  });
});

describe('emergence by the hours', () => {
  // Days found by an outside re-computation from the published curve of hours.
  it.each([
    ['celery', 24, 10, 12.6],
    ['basil', 24, 8, 17.2],
    ['lettuce', 32, 14, 2.8],
  ] as const)('%s at %d and %d', (name, most, least, days) => {
    const perDay = progressOverHours(germinationRate(cropNamed(name)), hoursBetween(most, least));
    expect(1 / perDay).toBeGreaterThan(0.85 * days);
    expect(1 / perDay).toBeLessThan(1.15 * days);
  });
});

describe('light in growth', () => {
  it('is nothing to growth at good light, less below it, and never more than a quarter more', () => {
    for (const { name, dliGood, dliLeast } of crops) {
      expect(lightFactor(dliGood, dliGood)).toBeCloseTo(1, 12);
      // "Below the least leggy and light-limited": a tenth to a third slower there (common practice, no source).
      expect(lightFactor(dliLeast, dliGood), name).toBeGreaterThan(0.66);
      expect(lightFactor(dliLeast, dliGood), name).toBeLessThan(0.96);
    }
    expect(lightFactor(0, 12)).toBe(0);
    expect(lightFactor(1e9, 12)).toBeCloseTo(1.25, 6);
  });
  it('Scaife, Cox and Morris: one over growth is a straight line in one over light, and rises with light', () => {
    const at = (light: number) => 1 / lightFactor(light, 14);
    const slope = (a: number, b: number) => (at(a) - at(b)) / (1 / a - 1 / b);
    expect(slope(2, 5)).toBeCloseTo(slope(8, 30), 12);
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 60, noNaN: true }), (light) => {
        expect(lightFactor(light * 1.1, 14)).toBeGreaterThan(lightFactor(light, 14));
      }),
    );
  });
});

describe('days of the stages', () => {
  it.each(crops.map((crop) => [crop.name, crop] as const))('%s keeps its rule of weeks at its reference', (_, crop) => {
    const { ready_days } = stageDays(crop, hoursOfDay(crop.growDay_C, crop.growNight_C), crop.dliGood);
    const emerge_days = daysToEmerge(germinationRate(crop), crop.germBest_C)!;
    expect(ready_days! + emerge_days).toBeCloseTo(7 * ruleWeeks(crop), 6);
  });
  it('follows a run of hours, begins it again, and says never', () => {
    const tomato = cropNamed('tomato');
    const two = Float64Array.from([...hoursOfDay(22, 17), ...hoursOfDay(8, 8)]);
    const half = stageDays(tomato, two, tomato.dliGood);
    const all = stageDays(tomato, hoursOfDay(22, 17), tomato.dliGood);
    expect(half.ready_days! / all.ready_days!).toBeGreaterThan(1.7);
    expect(stageDays(tomato, hoursOfDay(5, 5), 12)).toMatchObject({ pot_days: null, ready_days: null });
    expect(stageDays(tomato, hoursOfDay(22, 17), 0)).toMatchObject({ pot_days: null, ready_days: null });
    expect(stageDays(cropNamed('lettuce'), hoursOfDay(16, 12), 12).pot_days).toBeNull();
    expect(() => stageDays(tomato, new Float64Array(23), 12)).toThrow(/24 or a multiple/);
  });
});
