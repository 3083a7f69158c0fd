import { describe, expect, it } from 'vitest';
import { cropNamed, steadyPlace } from '../../../../tests/references/library.ts';
import { requireDay } from '../../calendar/dayNumber.ts';
import type { Place, PlaceTemperature } from '../../books/place.ts';
import { lightUnder_mol_m2 } from '../../weather/light.ts';
import { sunByRange_MJ_m2, usualLight } from './sky.ts';
import { seasonTables } from './seasonTables.ts';
import { totalAt } from './thermalIntegral.ts';

const FROM = requireDay('2027-03-01');
const normals = Array.from({ length: 12 }, () => ({ day_C: 16, night_C: 4 }));
const place = (kind: Place['kind'], temperature?: PlaceTemperature): Place => ({
  ...steadyPlace(20, 12, kind),
  ...(temperature ? { temperature } : {}),
});
const outside: PlaceTemperature = { kind: 'outside', plusDay_K: 2, plusNight_K: 1 };
const held = (usual_C: number | null): PlaceTemperature => ({
  kind: 'set-point',
  levels_C: [18],
  usual_C,
  nightDrop_K: 4,
  unheatedPlus_K: 3,
  loss_W_per_K: 10,
});
const tables = (places: Place[], more: object = {}) =>
  seasonTables(places, FROM, 60, { normals, sky: { latitude_deg: 50 }, ...more });
const dayOf = (p: Place) => [...tables([p]).skyOf(p.id)!.hours_C.subarray(24, 48)];

describe('sun and light of a place', () => {
  it('FAO-56 example 15: Lyon in July, 26.6 and 14.8, is 22.3 MJ', () => {
    expect(sunByRange_MJ_m2(45.72, 196, { day_C: 26.6, night_C: 14.8 })).toBeCloseTo(22.3, 0);
    // Never under a quarter nor over three quarters of the sun above the air (eq. 35).
    const [dull, clear] = [0, 40].map((range) => sunByRange_MJ_m2(45.72, 196, { day_C: range, night_C: 0 }));
    expect(clear! / dull!).toBeCloseTo(3, 9);
  });
  it('glazing, second film and shade each take their share, lamps are added', () => {
    const light = { through_frac: 0.6, secondFilm: false, shade_frac: 0, lamps_umol_m2_s: 0, lamps_h: 0 };
    const plain = lightUnder_mol_m2(light, 10);
    expect(plain).toBeCloseTo(10 * 0.45 * 4.57 * 0.6, 9);
    expect(lightUnder_mol_m2({ ...light, secondFilm: true }, 10)).toBeCloseTo(0.85 * plain, 9);
    expect(lightUnder_mol_m2({ ...light, shade_frac: 0.3 }, 10)).toBeCloseTo(0.7 * plain, 9);
    // 100 micromol for 10 hours are 3.6 mol.
    expect(lightUnder_mol_m2({ ...light, lamps_umol_m2_s: 100, lamps_h: 10 }, 10)).toBeCloseTo(plain + 3.6, 9);
    expect(lightUnder_mol_m2(usualLight({ kind: 'dark-chamber' }), 10)).toBe(0);
    expect(() => lightUnder_mol_m2({ ...light, shade_frac: 1.2 }, 10)).toThrow(RangeError);
  });
  it('what follows outside goes from lowest to highest; a heater keeps its set-point by day and its drop by night', () => {
    const free = dayOf(place('frame', outside));
    expect(Math.max(...free)).toBeCloseTo(18, 0);
    expect(Math.min(...free)).toBeGreaterThan(4.9);
    expect(Math.min(...free)).toBeLessThan(7);
    const warm = dayOf(place('bench', held(18)));
    expect(warm.slice(0, 5).every((t) => t === 14)).toBe(true);
    expect(Math.min(...warm.slice(6, 18))).toBe(18);
    expect(Math.max(...warm)).toBeCloseTo(19, 0);
    expect(Math.min(...dayOf(place('bench', held(null))))).toBeLessThan(9);
    expect(new Set(dayOf(place('bench')))).toEqual(new Set([20, 12]));
  });
});

describe('weather read and foretold', () => {
  it('a warm fortnight moves growth and emergence in what follows outside, and nothing in a chamber', () => {
    const [frame, chamber] = [place('frame', outside), place('lit-chamber')];
    const known = new Map(Array.from({ length: 14 }, (_, i) => [FROM + i, { day_C: 24, night_C: null }] as const));
    const [usual, warm] = [tables([frame, chamber]), tables([frame, chamber], { known })];
    const lettuce = cropNamed('lettuce');
    const gained = (t: typeof usual, id: number) => totalAt(t.growthOf(lettuce, id), FROM + 14);
    expect(gained(warm, frame.id)).toBeGreaterThan(1.2 * gained(usual, frame.id));
    expect(gained(warm, chamber.id)).toBeCloseTo(gained(usual, chamber.id), 9);
    const up = (t: typeof usual) => totalAt(t.germinationOf(lettuce, frame.id), FROM + 14);
    expect(up(warm)).toBeGreaterThan(1.2 * up(usual));
    // After it the usual days go on.
    const rest = (t: typeof usual) => totalAt(t.growthOf(lettuce, frame.id), FROM + 40) - gained(t, frame.id);
    expect(rest(warm)).toBeCloseTo(rest(usual), 6);
  });
});
