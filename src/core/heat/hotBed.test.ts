import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayFromCivil } from '../calendar/dayNumber.ts';
import {
  heapRise_K,
  hotBedAdvice,
  hotBedDays,
  hotSpot_C,
  peakAfter_days,
  underLid_C,
  USUAL_HOT_BED as BED,
  type HotBedLine,
} from './hotBed.ts';

const from = dayFromCivil(2027, 1, 1);
const DAYS = 365;
const flat = (value: number) => new Float64Array(DAYS).fill(value);
const outside = { day_C: flat(8), night_C: flat(2) };
let id = 0;
const line = (kind: HotBedLine['kind'], on: number, medium_C: number | null = null): HotBedLine => ({
  id: ++id,
  by: 'Grower',
  kind,
  on,
  medium_C,
  spot: 'middle',
});
const built = dayFromCivil(2027, 2, 20);

describe('the curve of a heap', () => {
  it('kindles in about ten days, fades over weeks, and is nothing before it is built', () => {
    expect(peakAfter_days('hay-and-green')).toBeGreaterThan(8);
    expect(peakAfter_days('manure')).toBeLessThan(13);
    expect(heapRise_K(BED, 0)).toBe(0);
    expect(heapRise_K(BED, -5)).toBe(0);
    const most = Math.max(...Array.from({ length: 90 }, (_, d) => heapRise_K(BED, d / 1)));
    expect(heapRise_K(BED, peakAfter_days(BED.made))).toBeGreaterThanOrEqual(most);
    expect(heapRise_K(BED, 45)).toBeLessThan(most / 2);
    expect(heapRise_K(BED, 45)).toBeGreaterThan(most / 10);
  });

  it('20 and more in a cool spring; the air about -1 under its lid at -10 outside (common practice, no source)', () => {
    const days = hotBedDays(BED, [line('built', built)], from, outside);
    const at = built - from + Math.round(peakAfter_days(BED.made));
    expect(days.night_C[at]).toBeGreaterThan(20);
    expect(days.night_C[at]).toBeLessThan(34);
    expect(underLid_C(BED, -10, days.rise_K[at]!)).toBeGreaterThan(-3);
    expect(underLid_C(BED, -10, days.rise_K[at]!)).toBeLessThan(1);
    expect(hotSpot_C(24, 20)).toBeGreaterThan(30);
  });

  it('a deeper, bigger, rightly wet heap gives more', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 0.9, noNaN: true }),
        fc.double({ min: 0.8, max: 4, noNaN: true }),
        fc.integer({ min: 2, max: 80 }),
        (height_m, width_m, day) => {
          const own = heapRise_K({ ...BED, height_m, width_m }, day);
          expect(heapRise_K({ ...BED, height_m: height_m + 0.2, width_m }, day)).toBeGreaterThanOrEqual(own);
          expect(heapRise_K({ ...BED, height_m, width_m: width_m + 0.5 }, day)).toBeGreaterThanOrEqual(own - 1e-9);
          expect(heapRise_K({ ...BED, height_m, width_m, moisture: 'dry' }, day)).toBeLessThan(own);
        },
      ),
    );
    expect(() => heapRise_K({ ...BED, height_m: 0 }, 3)).toThrow('depth of the heap');
  });
});

describe('a bed through its season', () => {
  it('stands on its planned day until it is logged, in its own year only', () => {
    const planned = hotBedDays(BED, [], from, outside);
    expect(planned.built[built - from + 3]).toBe(built);
    const late = built + 12;
    const logged = hotBedDays(BED, [line('built', late)], from, outside);
    expect(logged.rise_K[late - 1 - from]).toBeLessThan(1);
    expect(logged.rise_K[late + 10 - from]).toBeGreaterThan(15);
    // Next year's heap is on its day again.
    const long = { day_C: new Float64Array(800).fill(8), night_C: new Float64Array(800).fill(2) };
    const next = hotBedDays(BED, [line('built', late)], from, long);
    expect(next.built[dayFromCivil(2028, 2, 25) - from]).toBe(dayFromCivil(2028, 2, 20));
  });

  it('turned and added to it comes up again', () => {
    const on = built + 35;
    const left = hotBedDays(BED, [line('built', built)], from, outside);
    const turned = hotBedDays(BED, [line('built', built), line('turned', on)], from, outside);
    const at = on - from;
    expect(turned.rise_K[at]).toBe(left.rise_K[at]);
    expect(turned.rise_K[at + 1]).toBeLessThan(left.rise_K[at + 1]!);
    expect(turned.rise_K[at + 10]).toBeGreaterThan(left.rise_K[at + 10]! + 5);
  });

  it('a stick thermometer puts the heap right, more the more often it is read, and no other heap', () => {
    const rise = hotBedDays(BED, [line('built', built)], from, outside).rise_K;
    const read = (n: number) =>
      Array.from({ length: n }, (_, i) => {
        const on = built + 8 + 2 * i;
        return line('read', on, 5 + 2.5 + 0.6 * rise[on - from]!);
      });
    const log = (n: number) => [line('built', built), ...read(n)];
    const one = hotBedDays(BED, log(1), from, outside);
    const six = hotBedDays(BED, log(6), from, outside);
    expect([one.readings, six.readings]).toEqual([1, 6]);
    expect(one.factor).toBeLessThan(0.8);
    expect(Math.abs(six.factor - 0.6)).toBeLessThan(Math.abs(one.factor - 0.6));
    expect(six.factor).toBeCloseTo(0.6, 1);
    // An edge or a hot spot says nothing of the middle.
    const edge = { ...line('read', built + 10, 9), spot: 'edge' as const };
    expect(hotBedDays(BED, [line('built', built), edge], from, outside).factor).toBe(1);
    const autumn = built + 200;
    const both = hotBedDays(BED, [...log(6), line('built', autumn)], from, outside);
    expect(both.rise_K[autumn + 10 - from]).toBeCloseTo(rise[built + 10 - from]!, 6);
  });

  it('a cable holds it where the heap no longer does', () => {
    const bed = hotBedDays({ ...BED, backup_C: 18 }, [line('built', built)], from, outside);
    expect(Math.min(...bed.night_C)).toBe(18);
  });

  it('says when to build, when to turn, where it is too hot and when to prop the lid', () => {
    const days = hotBedDays(BED, [line('built', built)], from, outside);
    const at = (today: number, least_C = 16) =>
      hotBedAdvice(BED, days, from, { today, least_C, first: built + 12, last: built + 80 });
    const { turnBy, buildBy } = at(built + 12);
    expect(buildBy).toBe(built + 12 - Math.ceil(peakAfter_days(BED.made)));
    expect(days.night_C[turnBy! - from]).toBeLessThan(16);
    expect(days.night_C[turnBy! - 1 - from]).toBeGreaterThanOrEqual(16);
    expect(at(built + 10).spot_C).toBeGreaterThan(33);
    expect(at(built + 70).spot_C).toBeNull();
    expect(at(built + 10).propLid).toBe(true);
    expect(at(built + 70).propLid).toBe(false);
    // Nothing sown there: nobody is told to turn it.
    const none = hotBedAdvice(BED, days, from, { today: built + 40, least_C: null, first: null, last: null });
    expect([none.turnBy, none.buildBy]).toEqual([null, null]);
  });
});
