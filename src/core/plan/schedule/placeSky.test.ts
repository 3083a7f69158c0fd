import { describe, expect, it } from 'vitest';
import { steadyPlace } from '../../../../tests/references/library.ts';
import { DEMO_OUTSIDE } from '../../../../simulators/demoBooks.ts';
import { requireDay } from '../../calendar/dayNumber.ts';
import { matRise, USUAL_MAT } from '../../heat/mat.ts';
import { seededRandom } from '../../numerics/random.ts';
import { extraterrestrial_MJ_m2, solar_MJ_m2 } from '../../weather/sun.ts';
import { USUAL_LIGHT } from '../../weather/light.ts';
import type { Place } from '../../books/place.ts';
import { outsideClimate, type OutsideClimate } from './outsideClimate.ts';
import { climateStart, meanTemperature_C, placeClimate, temperatureOn, type PlaceClimate } from './placeClimate.ts';
import { goesByHours, placeSky, sunByRange_MJ_m2, usualLight } from './sky.ts';

const FROM = requireDay('2027-04-10');
const DAYS = 12;
const outside = outsideClimate(DEMO_OUTSIDE, FROM - 2, DAYS + 4);
const sky = { latitude_deg: 52 };
let ids = 70_000;
const climateOf = (day_C: number[], night_C: number[], more: Partial<PlaceClimate> = {}): PlaceClimate => ({
  placeId: 1,
  from: FROM,
  day_C: Float64Array.from(day_C),
  night_C: Float64Array.from(night_C),
  ...more,
});
const held = (usual_C = 18) =>
  ({
    ...steadyPlace(0),
    temperature: { kind: 'set-point', levels_C: [18], usual_C, nightDrop_K: 4, unheatedPlus_K: 3, loss_W_per_K: 10 },
  }) as Place;

describe('the sun of a day by its range', () => {
  it('lies between a quarter and three quarters of that above the air; where no range is known the usual', () => {
    const above = extraterrestrial_MJ_m2(52, 150);
    const at = (day_C: number, night_C: number) => sunByRange_MJ_m2(52, 150, { day_C, night_C });
    expect(at(10, 10)).toBeCloseTo(0.25 * above, 9);
    expect(at(5, 15)).toBeCloseTo(0.25 * above, 9);
    expect(at(19, 10)).toBeCloseTo(0.48 * above, 9);
    expect(at(45, 10)).toBeCloseTo(0.75 * above, 9);
    expect(sunByRange_MJ_m2(52, 150, null)).toBe(solar_MJ_m2(52, 150, USUAL_LIGHT.sunshine_frac));
  });
});

describe('the hours of a place', () => {
  it('go with the sun where it follows outside or stands in the open; else half day and half night', () => {
    const of = (kind: Place['kind'], temperature?: object) => goesByHours({ kind, temperature } as Place);
    expect([of('bench'), of('house'), of('frame'), of('ground')]).toEqual([false, false, true, true]);
    expect(of('bench', { kind: 'outside' })).toBe(true);
    expect(of('frame', { kind: 'set-point' })).toBe(false);
    expect(of('bench', { kind: 'mat', mat: { room: { kind: 'outside' } } })).toBe(true);
    expect(of('frame', { kind: 'mat', mat: { room: { kind: 'held' } } })).toBe(false);
  });

  it('of what is steady are its day from six to six and its night', () => {
    const place = { ...steadyPlace(20, 12), id: ids++ };
    const { hours_C } = placeSky(place, climateOf([20, 21], [12, 13]), outside, sky);
    expect([...hours_C.slice(0, 24)]).toEqual([...Array(6).fill(12), ...Array(12).fill(20), ...Array(6).fill(12)]);
    expect([hours_C[24], hours_C[36]]).toEqual([13, 21]);
  });

  it('of a frame go from its lowest before dawn to its highest after noon, and on to the next night', () => {
    const place = { ...steadyPlace(20, 5, 'frame'), id: ids++ };
    const { hours_C } = placeSky(place, climateOf([20, 20], [5, 2]), outside, sky);
    const first = [...hours_C.slice(0, 24)];
    expect(Math.max(...first)).toBeGreaterThan(19);
    expect(Math.max(...first)).toBeLessThanOrEqual(20);
    expect(first.indexOf(Math.max(...first))).toBeGreaterThan(12);
    expect(Math.min(...first.slice(0, 9))).toBeLessThan(6);
    // The evening falls towards the colder night that follows.
    const steady = placeSky({ ...place, id: ids++ }, climateOf([20, 20], [5, 5]), outside, sky).hours_C;
    expect(first[23]!).toBeLessThan(steady[23]!);
    // A night warmer than its day is no colder by day.
    const turned = placeSky({ ...place, id: ids++ }, climateOf([5], [9]), outside, sky).hours_C;
    expect([...turned].every((t) => Math.abs(t - 9) < 1e-9)).toBe(true);
  });

  it('a heater keeps its set-point by day and its drop by night, and cools nothing; off it keeps nothing', () => {
    const free = { day_C: Float64Array.of(10, 26, 10), night_C: Float64Array.of(2, 12, 2) };
    const set_C = Float64Array.of(18, 18, NaN);
    const climate = climateOf([18, 26, 10], [14, 14, 2], { free, set_C, nightDrop_K: 4 });
    const { hours_C } = placeSky({ ...held(), id: ids++ }, climate, outside, sky);
    const hour = (day: number, h: number) => hours_C[24 * day + h]!;
    expect([hour(0, 0), hour(0, 5), hour(0, 6), hour(0, 17), hour(0, 18)]).toEqual([14, 14, 18, 18, 14]);
    expect(hour(1, 15)).toBeGreaterThan(24);
    expect(hour(1, 6)).toBe(18);
    expect(hour(2, 12)).toBeLessThan(11);
  });

  it('worked out again for days that changed it is as if it were worked out anew: 120 made-up changes', () => {
    const random = seededRandom(5);
    const list = (from: number, width: number) => Array.from({ length: DAYS }, () => from + width * random());
    const copy = (c: PlaceClimate): PlaceClimate => ({
      ...c,
      day_C: c.day_C.slice(),
      night_C: c.night_C.slice(),
      ...(c.free ? { free: { day_C: c.free.day_C.slice(), night_C: c.free.night_C.slice() } } : {}),
      ...(c.set_C ? { set_C: c.set_C.slice() } : {}),
    });
    const start = () =>
      climateOf(list(15, 6), list(6, 6), {
        free: { day_C: Float64Array.from(list(8, 12)), night_C: Float64Array.from(list(0, 8)) },
        set_C: Float64Array.from(list(16, 4)),
        nightDrop_K: 4,
      });
    const lasting = { ...held(), id: ids++ };
    let climate = start();
    let out: OutsideClimate | null = outside;
    let changed = 0;
    for (let n = 0; n < 120; n++) {
      const i = Math.floor(random() * DAYS);
      const next = copy(climate);
      const what = n % 8;
      if (what === 0) next.day_C[i] = 20 * random();
      else if (what === 1) next.night_C[i] = 10 * random();
      else if (what === 2) next.free!.day_C[i] = 25 * random();
      else if (what === 3) next.free!.night_C[i] = 10 * random();
      else if (what === 4) next.set_C![i] = random() < 0.3 ? NaN : 16 + 6 * random();
      else if (what === 5)
        out = { ...outside, day_C: outside.day_C.map((t, j) => (j === i + 2 ? t + 4 * random() : t)) };
      else if (what === 6) out = random() < 0.3 ? null : outside;
      climate = what === 7 ? { ...next, nightDrop_K: 3 + 2 * random() } : next;
      const again = placeSky(lasting, climate, out, sky);
      const anew = placeSky({ ...lasting, id: ids++ }, climate, out, sky);
      expect(again.hours_C).toEqual(anew.hours_C);
      expect(again.light_mol_m2).toEqual(anew.light_mol_m2);
      if (placeSky(lasting, copy(climate), out, sky) === again) changed++;
    }
    // Asked again with nothing changed it is the very same.
    expect(changed).toBe(120);
    const north = placeSky(lasting, climate, out, { latitude_deg: 60 });
    expect(north.light_mol_m2).not.toEqual(placeSky({ ...lasting, id: ids++ }, climate, out, sky).light_mol_m2);
  });

  it('light goes by the days outside, and by the usual sunshine on days nobody knows', () => {
    const place = { ...steadyPlace(20, 12), id: ids++, light: { ...usualLight({ kind: 'ground' }) } } as Place;
    const short: OutsideClimate = { from: FROM + 1, day_C: Float64Array.of(30), night_C: Float64Array.of(5) };
    const { light_mol_m2 } = placeSky(place, climateOf([20, 20, 20], [12, 12, 12]), short, sky);
    const unknown = placeSky({ ...place, id: ids++ }, climateOf([20, 20, 20], [12, 12, 12]), null, sky).light_mol_m2;
    expect([light_mol_m2[0], light_mol_m2[2]]).toEqual([unknown[0], unknown[2]]);
    expect(light_mol_m2[1]!).toBeGreaterThan(unknown[1]!);
  });

  it('nothing written of its light, a kind of place has its usual glazing; only a lit chamber has lamps', () => {
    const kinds = ['dark-chamber', 'lit-chamber', 'bench', 'house', 'frame', 'ground'] as const;
    expect(kinds.map((kind) => usualLight({ kind }).through_frac)).toEqual([0, 0, 0.6, 0.6, 0.75, 1]);
    expect(kinds.map((kind) => usualLight({ kind }).lamps_h > 0)).toEqual([false, true, false, false, false, false]);
  });
});

describe('the temperatures of a place, day by day', () => {
  const on = (day: string) => requireDay(day);
  it('its periods last until the next begins, in whatever order they stand, across the new year', () => {
    const place = {
      ...steadyPlace(0),
      periods: [
        { from: '10-01', day_C: 12, night_C: 5 },
        { from: '03-15', day_C: 18, night_C: 9 },
        { from: '05-20', day_C: 24, night_C: 15 },
      ],
    };
    const from = on('2026-12-30');
    const climate = placeClimate(place, from, 330);
    const day = (iso: string) => climate.day_C[on(iso) - from];
    expect([day('2026-12-30'), day('2027-01-01'), day('2027-03-14'), day('2027-03-15')]).toEqual([12, 12, 12, 18]);
    expect([day('2027-05-19'), day('2027-05-20'), day('2027-09-30'), day('2027-10-01')]).toEqual([18, 24, 24, 12]);
    expect(climate.night_C[on('2027-06-01') - from]).toBe(15);
    expect(() => placeClimate({ ...place, periods: [] }, from, 5)).toThrow(/at least one period/);
  });

  it('on a mat the medium is its room and what the mat adds, by day and by night', () => {
    const spec = { ...USUAL_MAT, room: { kind: 'kept', day_C: 18, night_C: 12 } as const };
    const { medium_K } = matRise(spec);
    const climate = placeClimate({ ...steadyPlace(0), temperature: { kind: 'mat', mat: spec } } as Place, FROM, 3);
    const shed = { ...spec, room: { kind: 'outside', plusDay_K: 2, plusNight_K: 1 } as const };
    const cold = placeClimate(
      { ...steadyPlace(0), temperature: { kind: 'mat', mat: shed } } as Place,
      FROM,
      3,
      outside,
    );
    expect(cold.day_C[1]).toBeCloseTo(outside.day_C[3]! + 2 + medium_K, 9);
    expect(cold.night_C[1]).toBeCloseTo(outside.night_C[3]! + 1 + medium_K, 9);
    expect(medium_K).toBeGreaterThan(1);
    expect([...climate.day_C]).toEqual([18 + medium_K, 18 + medium_K, 18 + medium_K]);
    expect([...climate.night_C]).toEqual([12 + medium_K, 12 + medium_K, 12 + medium_K]);
  });

  it('means and single days are those of the days covered, held at both ends', () => {
    const climate = climateOf([10, 20, 30], [0, 10, 20]);
    expect(meanTemperature_C(climate, FROM, FROM)).toBe(5);
    expect(meanTemperature_C(climate, FROM, FROM + 2)).toBe(15);
    expect(meanTemperature_C(climate, FROM + 1, FROM + 2)).toBe(20);
    expect(meanTemperature_C(climate, FROM - 5, FROM - 4)).toBe(5);
    expect(meanTemperature_C(climate, FROM + 9, FROM + 9)).toBe(25);
    expect([FROM - 1, FROM + 1, FROM + 7].map((d) => temperatureOn(climate, d))).toEqual([
      { day_C: 10, night_C: 0 },
      { day_C: 20, night_C: 10 },
      { day_C: 30, night_C: 20 },
    ]);
    expect(climateStart(on('2027-04-10'))).toBe(on('2026-01-01'));
  });
});
