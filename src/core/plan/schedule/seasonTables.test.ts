import { describe, expect, it } from 'vitest';
import { cropNamed, steadyPlace } from '../../../../tests/references/library.ts';
import { DEMO_OUTSIDE } from '../../../../simulators/demoBooks.ts';
import { requireDay } from '../../calendar/dayNumber.ts';
import { germinationRate } from '../../germination/germinationRate.ts';
import { degreeDaysOfHours, lightFactor } from '../../growth/growthRate.ts';
import type { Place } from '../../books/place.ts';
import { seasonTables, tablesOfHouse } from './seasonTables.ts';
import { totalAt, type ThermalIntegral } from './thermalIntegral.ts';

const FROM = requireDay('2027-03-01');
const DAYS = 40;
const tomato = cropNamed('tomato');
const bench = steadyPlace(21, 16);
const stepped: Place = {
  ...steadyPlace(0),
  periods: [
    { from: '01-01', day_C: 18, night_C: 12 },
    { from: '03-11', day_C: 25, night_C: 18 },
  ],
};
const frame = {
  ...steadyPlace(0, 0, 'frame'),
  temperature: { kind: 'outside', plusDay_K: 4, plusNight_K: 2 },
} as Place;
const held = {
  ...steadyPlace(0),
  temperature: {
    kind: 'set-point',
    levels_C: [14, 20],
    usual_C: 14,
    nightDrop_K: 2,
    unheatedPlus_K: 3,
    loss_W_per_K: 9,
  },
} as Place;
const by = { normals: DEMO_OUTSIDE, sky: { latitude_deg: 52 } };
const gainOn = (integral: ThermalIntegral, i: number) => totalAt(integral, FROM + i + 1) - totalAt(integral, FROM + i);
const halves = (day_C: number, night_C: number) =>
  Float64Array.from({ length: 24 }, (_, h) => (h >= 6 && h < 18 ? day_C : night_C));
const steady = seasonTables([bench, stepped], FROM, DAYS);

describe('what a day gains', () => {
  it('without a sky is half by day and half by night, period by period', () => {
    const rate = germinationRate(tomato);
    const [growth, germination] = [steady.growthOf(tomato, stepped.id), steady.germinationOf(tomato, stepped.id)];
    for (const [i, day_C, night_C] of [
      [0, 18, 12],
      [9, 18, 12],
      [10, 25, 18],
      [39, 25, 18],
    ] as const) {
      expect(gainOn(growth, i)).toBeCloseTo(degreeDaysOfHours(tomato, halves(day_C, night_C)), 9);
      expect(gainOn(germination, i)).toBeCloseTo((rate(day_C) + rate(night_C)) / 2, 9);
    }
    expect([steady.latitude_deg, steady.outside, steady.skyOf(bench.id), steady.skyAt(bench.id, 20)]).toEqual([
      null,
      null,
      null,
      null,
    ]);
  });

  it('with a sky goes by the hours of the place and its light', () => {
    const tables = seasonTables([frame], FROM, DAYS, by);
    const { hours_C, light_mol_m2 } = tables.skyOf(frame.id)!;
    const growth = tables.growthOf(tomato, frame.id);
    for (const i of [0, 20, 39])
      expect(gainOn(growth, i)).toBeCloseTo(
        degreeDaysOfHours(tomato, hours_C.slice(24 * i, 24 * i + 24)) * lightFactor(light_mol_m2[i]!, tomato.dliGood),
        9,
      );
    expect(tables.latitude_deg).toBe(52);
  });

  it('a slower lot takes so many times as long; a factor that is none is refused', () => {
    const usual = steady.germinationOf(tomato, bench.id);
    const slow = steady.germinationOf(tomato, bench.id, 1.25);
    for (const i of [0, 17]) expect(gainOn(slow, i)).toBeCloseTo(gainOn(usual, i) / 1.25, 12);
    for (const factor of [0, -1, NaN]) expect(() => steady.germinationOf(tomato, bench.id, factor)).toThrow(RangeError);
  });

  it('goes by what was measured, hour by hour where it was; days outside the tables are left out', () => {
    const warm = Array.from({ length: 24 }, () => 30);
    const read = new Map([
      [FROM + 3, warm],
      [FROM - 1, warm],
      [FROM + DAYS, warm],
    ]);
    const half = new Map([[FROM + 5, [...Array<number>(12).fill(30), ...Array<null>(12).fill(null)]]]);
    const measured = new Map([
      [bench.id, read],
      [stepped.id, half],
    ]) as never;
    const tables = seasonTables([bench, stepped], FROM, DAYS, { measured });
    const growth = tables.growthOf(tomato, bench.id);
    expect(gainOn(growth, 3)).toBeCloseTo(degreeDaysOfHours(tomato, Float64Array.from(warm)), 9);
    for (const i of [0, 2, 4, 39])
      expect(gainOn(growth, i)).toBeCloseTo(gainOn(steady.growthOf(tomato, bench.id), i), 9);
    const mixed = Float64Array.from({ length: 24 }, (_, h) => (h < 12 ? 30 : h < 18 ? 18 : 12));
    expect(gainOn(tables.growthOf(tomato, stepped.id), 5)).toBeCloseTo(degreeDaysOfHours(tomato, mixed), 9);
  });

  it('days outside that were read or are foretold stand in place of the usual ones, each half by itself', () => {
    const known = new Map([
      [FROM, { day_C: 30, night_C: null }],
      [FROM + 1, { day_C: null, night_C: 20 }],
      [FROM - 1, { day_C: 50, night_C: 50 }],
      [FROM + DAYS, { day_C: 50, night_C: 50 }],
    ]);
    const usual = seasonTables([frame], FROM, DAYS, by).outside!;
    const tables = seasonTables([frame], FROM, DAYS, { ...by, known });
    expect([tables.outside!.day_C[0], tables.outside!.night_C[0]]).toEqual([30, usual.night_C[0]]);
    expect([tables.outside!.day_C[1], tables.outside!.night_C[1]]).toEqual([usual.day_C[1], 20]);
    expect([...tables.outside!.day_C.slice(2)]).toEqual([...usual.day_C.slice(2)]);
    expect(tables.climateOf(frame.id).day_C[0]).toBe(34);
    // The usual itself is left as it was.
    expect(seasonTables([frame], FROM, DAYS, by).outside!.day_C[0]).toBe(usual.day_C[0]);
    const house = {
      places: [frame],
      tablesFrom: FROM,
      tableDays: DAYS,
      outside: DEMO_OUTSIDE,
      latitude_deg: 52,
      knownOutside: [[FROM, 30, null] as const, [FROM + 1, null, 20] as const],
    };
    expect(tablesOfHouse(house).outside).toEqual(tables.outside);
    expect(tablesOfHouse(house).growthOf(tomato, frame.id)).toEqual(tables.growthOf(tomato, frame.id));
  });
});

describe('tables are worked out once', () => {
  it('for a crop’s own figures: what grows alike shares them, what does not has its own', () => {
    const growth = steady.growthOf(tomato, bench.id);
    expect(steady.growthOf({ ...tomato, id: 77, name: 'other' }, bench.id)).toBe(growth);
    for (const other of [{ base_C: 9 }, { growOptimum_C: 26 }, { growCeiling_C: 37 }, { dliGood: 5 }])
      expect(steady.growthOf({ ...tomato, ...other }, bench.id)).not.toBe(growth);
    expect(steady.growthOf(tomato, stepped.id)).not.toBe(growth);
  });

  it('for a crop’s pace, a lot’s and a place’s; the last few paces of a crop are kept side by side', () => {
    const of = (germBest_days: number, slower = 1) =>
      steady.germinationOf({ ...tomato, germBest_days }, bench.id, slower);
    const first = of(6);
    expect(of(6)).toBe(first);
    expect(of(6, 1.1)).not.toBe(first);
    expect(of(6, 1.1)).toBe(of(6, 1.1));
    const paces = [7, 8, 9].map((days) => of(days));
    expect([7, 8, 9].map((days) => of(days))).toEqual(paces);
    expect(of(6)).toBe(first);
    // A fifth puts the first out.
    of(10);
    expect(of(6)).not.toBe(first);
    const table = tomato.emergence.map((p) => (typeof p.days === 'number' ? { ...p, days: p.days * 2 } : p));
    const before = steady.germinationOf(tomato, bench.id);
    expect(steady.germinationOf({ ...tomato, emergence: table }, bench.id)).not.toBe(before);
    expect(steady.germinationOf({ ...tomato, germBase_C: 7 }, bench.id)).not.toBe(before);
    expect(steady.germinationOf(tomato, stepped.id)).not.toBe(before);
    expect(steady.climateOf(bench.id)).toBe(steady.climateOf(bench.id));
  });

  it('at another set-point a heated place has other hours, a place that is not heated its own', () => {
    const tables = seasonTables([held, frame], FROM, DAYS, by);
    const at20 = tables.skyAt(held.id, 20)!;
    expect(tables.skyAt(held.id, 20)).toBe(at20);
    expect(at20.hours_C[12]).toBe(20);
    expect(at20.hours_C[2]).toBe(18);
    expect(tables.skyAt(held.id, 14)!.hours_C[2]).toBe(12);
    expect(tables.skyOf(held.id)!.hours_C[2]).toBe(12);
    expect(tables.skyAt(frame.id, 20)).toBe(tables.skyOf(frame.id));
    expect(tables.skyAt(held.id, null)!.hours_C[2]!).toBeLessThan(12);
  });

  it('of a place that is not there says so', () => {
    for (const ask of [() => steady.climateOf(5), () => steady.growthOf(tomato, 5), () => steady.skyAt(5, 20)])
      expect(ask).toThrow('there is no place number 5');
  });
});
