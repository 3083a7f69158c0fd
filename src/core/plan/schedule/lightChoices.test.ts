import { describe, expect, it } from 'vitest';
import { cropNamed, steadyPlace } from '../../../../tests/references/library.ts';
import { UNSOWN } from '../../batch/reduce.ts';
import { requireDay } from '../../calendar/dayNumber.ts';
import type { BatchPlan } from '../batchPlan.ts';
import type { Place, PlaceLight } from '../../books/place.ts';
import {
  lampsPerDay_kWh,
  lightChoices,
  NEW_LAMPS,
  readyUnder,
  SECOND_FILM_LEFT,
  withPlaceOf,
  type LightChoice,
} from './lightChoices.ts';
import { seasonTables } from './seasonTables.ts';

const FROM = requireDay('2027-01-01');
const light: PlaceLight = {
  through_frac: 0.6,
  secondFilm: false,
  shade_frac: 0,
  lamps_umol_m2_s: 150,
  lamps_h: 10,
};
const heat: Place = steadyPlace(24);
const house: Place = { ...steadyPlace(19, 14), kind: 'house', light };
const by = { sky: { latitude_deg: 54 } };
const tables = seasonTables([heat, house], FROM, 400, by);
const crop = cropNamed('tomato');
const plan: BatchPlan = {
  plantsWanted: 100,
  spare_frac: 0.1,
  transplantOn: FROM + 150,
  hardening_days: 7,
  places: { germinate: heat.id, grow: house.id, pot: house.id, harden: house.id },
  sowContainerId: 1,
  potContainerId: 2,
};
const readyOn = (choice: LightChoice | null, sowOn: number): number => {
  const there = choice
    ? withPlaceOf(tables, seasonTables([{ ...house, light: choice.light }], FROM, 400, by), house.id)
    : tables;
  return readyUnder({ crop, plan, state: UNSOWN, sowOn }, there, { kind: 'half-up' }, FROM)!;
};
const named = (key: LightChoice['key'], place: Place = house) => lightChoices(place).find((c) => c.key === key)!;

describe('other light for a place', () => {
  it('offers what can be changed by what is there', () => {
    const keys = (place: Place) => lightChoices(place).map((c) => c.key);
    expect(keys(house)).toEqual(['lamps-more', 'lamps-less', 'film-on']);
    expect(keys({ ...house, light: { ...light, lamps_h: 17, secondFilm: true, shade_frac: 0.3 } })).toEqual([
      'lamps-less',
      'film-off',
      'shade-off',
    ]);
    expect(keys({ ...house, light: { ...light, lamps_umol_m2_s: 0, lamps_h: 0 } })).toEqual(['lamps-new', 'film-on']);
    expect(keys({ ...house, kind: 'ground', light: null })).toEqual([]);
  });

  it('two hours of lamps more make plants ready sooner, a second film later, most in the dark of the year', () => {
    const days = (key: LightChoice['key'], sowOn: number) => readyOn(named(key), sowOn) - readyOn(null, sowOn);
    expect(days('lamps-more', FROM + 5)).toBeLessThan(-0.5);
    expect(days('lamps-less', FROM + 5)).toBeGreaterThan(0.5);
    expect(days('film-on', FROM + 5)).toBeGreaterThan(0);
    const dim = { ...house, light: { ...light, lamps_umol_m2_s: 0, lamps_h: 0 } };
    const bare = withPlaceOf(tables, seasonTables([dim], FROM, 400, by), house.id);
    const filmed = withPlaceOf(
      tables,
      seasonTables([{ ...dim, light: named('film-on', dim).light }], FROM, 400, by),
      house.id,
    );
    const film = (sowOn: number) =>
      readyUnder({ crop, plan, state: UNSOWN, sowOn }, filmed, { kind: 'half-up' }, FROM)! -
      readyUnder({ crop, plan, state: UNSOWN, sowOn }, bare, { kind: 'half-up' }, FROM)!;
    expect(film(FROM + 5)).toBeGreaterThan(2 * film(FROM + 130));
  });

  it('lamps take their light over what a joule of mains gives, over the room they hang above', () => {
    // 150 micromol over 10 trays of 0.1749 m2 at 2.3 micromol for a joule are 114 W; two hours of them 0.228 kWh.
    expect(lampsPerDay_kWh(light, 10, 2)).toBeCloseTo(((150 * 10 * 0.53 * 0.33) / 2.3 / 1000) * 2, 9);
    expect(lampsPerDay_kWh(light, 10, 2)).toBeCloseTo(0.228, 2);
    expect(lampsPerDay_kWh({ ...light, ...NEW_LAMPS }, 10, -6)).toBeLessThan(0);
    // Handbook losses of single and double film, 6.8 and 4.0 W/(m2 K): four tenths less (from memory).
    expect(SECOND_FILM_LEFT).toBeCloseTo(0.59, 2);
  });
});
