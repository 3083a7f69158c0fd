import { describe, expect, it } from 'vitest';
import { requireDay } from '../calendar/dayNumber.ts';
import type { DayWeather } from '../weather/forecast.ts';
import { scoresOf } from '../weather/score.ts';
import { careOf, hottestUnder_C, ROOTING_days, type StandsOut } from './aftercare.ts';
import {
  gatesOf,
  verdictOf,
  type Gate,
  type GateInput,
  type GateKey,
  type GateModes,
  type GateRules,
} from './gates.ts';
import { coolerFrom, HEAT_days, heatLines, tooHot } from './heat.ts';
import { earliestOut, type SiteUsual } from './outDates.ts';

// Each case stands on a limit, and a hair to either side of it.
const TODAY = 1000;
const scores = scoresOf([]);
const day = (i: number, more: Partial<DayWeather> = {}): DayWeather => ({
  day: TODAY + i,
  lead: i,
  most_C: 18,
  night_C: 12,
  least_C: 12,
  gust_m_s: 4,
  sun_frac: 0.5,
  rain_mm: 0,
  whole: true,
  ...more,
});
const days = (n: number, more: (i: number) => Partial<DayWeather> = () => ({})) =>
  Array.from({ length: n }, (_, i) => day(i, more(i)));
const RULES: GateRules = { soil_days: 3, nights: 3, ahead_days: 5, frost_frac: 0.1, storm_days: 3, storm_m_s: 15 };
const lines = { air_C: 30, soil_C: 26 };
const base: GateInput = {
  today: TODAY,
  outFrom: TODAY,
  soil_C: [12, 12, 12],
  soilMin_C: 12,
  heat: lines,
  nights_C: [8, 8, 8],
  nightMin_C: 8,
  forecast: days(6),
  scores,
  harm_C: -1,
  cover_K: 0,
  warm_K: 0,
  cover: null,
  rung: 3,
  rungs: 3,
  hardened: true,
};
const MODES = Object.fromEntries(
  (['calendar', 'soil', 'nights', 'forecast', 'storm', 'heat', 'hardened', 'covers'] as const).map((key) => [
    key,
    'required',
  ]),
) as unknown as GateModes;
const gate = (key: GateKey, more: Partial<GateInput>): Gate =>
  gatesOf({ ...base, ...more }, MODES, RULES).find((g) => g.key === key)!;

describe('a gate on its mark', () => {
  it('the calendar opens on its day; with no day in the season it fails', () => {
    expect(gate('calendar', {})).toMatchObject({ state: 'pass', figure: 0, wants: 0, day: TODAY });
    expect(gate('calendar', { outFrom: TODAY + 1 })).toMatchObject({ state: 'wait', figure: 1 });
    expect(gate('calendar', { outFrom: null })).toMatchObject({ state: 'fail', figure: null });
  });
  it('soil: warm enough on each of the last days, all of them known', () => {
    expect(gate('soil', {})).toMatchObject({ state: 'pass', figure: 12, wants: 12 });
    expect(gate('soil', { soil_C: [5, 12, 12, 12] }).state).toBe('pass');
    expect(gate('soil', { soil_C: [11.9, 12, 12] }).state).toBe('wait');
    expect(gate('soil', { soil_C: [null, 12, 12] }).state).toBe('wait');
    expect(gate('soil', { soil_C: [12, 12] }).state).toBe('wait');
    expect(gate('soil', { soil_C: [12, 12, null] })).toMatchObject({ state: 'unknown', figure: null });
    expect(gate('soil', { soil_C: [] }).state).toBe('unknown');
  });
  it('nights: a run of them with what the cover is worth; a gap may hide a longer one', () => {
    expect(gate('nights', {})).toMatchObject({ state: 'pass', figure: 3, wants: 3 });
    expect(gate('nights', { nights_C: [9, 9, 7.9] })).toMatchObject({ state: 'wait', figure: 0 });
    expect(gate('nights', { nights_C: [9, 7.9, 8] })).toMatchObject({ state: 'wait', figure: 1 });
    expect(gate('nights', { nights_C: [7, 7, 7], warm_K: 1 }).state).toBe('pass');
    expect(gate('nights', { nights_C: [null, 8, 8] })).toMatchObject({ state: 'unknown', figure: 2 });
    expect(gate('nights', { nights_C: [8, 8, null] })).toMatchObject({ state: 'unknown', figure: null });
    expect(gate('nights', { nights_C: [8, 8] })).toMatchObject({ state: 'unknown', figure: 2 });
    expect(gate('nights', { nights_C: [7, 8, 8, 8] }).state).toBe('pass');
  });
  it('frost: told of the nights ahead but for the last, under a cover by its safe degrees, of the worst night', () => {
    expect(gate('forecast', {}).state).toBe('pass');
    expect(gate('forecast', { forecast: days(4) }).state).toBe('pass');
    expect(gate('forecast', { forecast: days(3) }).state).toBe('unknown');
    expect(gate('forecast', { forecast: days(5, () => ({ night_C: null })) })).toMatchObject({
      state: 'unknown',
      figure: null,
    });
    const frost = days(6, (i) => ({ night_C: i === 2 ? -4 : i === 4 ? -2 : 12 }));
    expect(gate('forecast', { forecast: frost })).toMatchObject({ state: 'fail', wants: 0.1, day: TODAY + 2 });
    expect(gate('forecast', { forecast: frost, cover_K: 12 }).state).toBe('pass');
    // A frost beyond the days looked at is not asked about.
    expect(gate('forecast', { forecast: days(8, (i) => ({ night_C: i === 5 ? -9 : 12 })) }).state).toBe('pass');
  });
  it('storm: the strongest gust of the days told', () => {
    const blow = (gust: number, at = 1) =>
      gate('storm', { forecast: days(6, (i) => ({ gust_m_s: i === at ? gust : 4 })) });
    expect(blow(15)).toMatchObject({ state: 'pass', figure: 15, wants: 15, day: TODAY + 1 });
    expect(blow(17)).toMatchObject({ state: 'fail', day: TODAY + 1 });
    expect(blow(30, 3).state).toBe('pass');
    expect(gate('storm', { forecast: days(2) }).state).toBe('unknown');
    expect(gate('storm', { forecast: days(6, () => ({ gust_m_s: null })) })).toMatchObject({
      state: 'unknown',
      figure: null,
    });
    expect(gate('storm', { forecast: days(3, (i) => ({ gust_m_s: i === 0 ? null : 4 })) })).toMatchObject({
      state: 'unknown',
      day: TODAY + 1,
    });
  });
  it('heat: what is too hot, else the hottest of the days told', () => {
    expect(gate('heat', { forecast: days(6, (i) => ({ most_C: 20 + i })) })).toMatchObject({
      state: 'pass',
      figure: 22,
      wants: 30,
    });
    expect(gate('heat', { forecast: days(6, (i) => ({ most_C: i === 1 ? 31 : 20 })) })).toMatchObject({
      state: 'fail',
      figure: 31,
      day: TODAY + 1,
    });
    expect(gate('heat', { forecast: days(2) }).state).toBe('unknown');
    expect(gate('heat', { forecast: [] })).toMatchObject({ state: 'unknown', figure: null, wants: 30 });
    expect(gate('heat', { soil_C: [12, 12, 27] })).toMatchObject({ state: 'fail', figure: 27, wants: 26 });
    expect(gate('heat', { forecast: days(6, (i) => (i === 0 ? { most_C: null } : {})) }).state).toBe('unknown');
  });
  it('hardened, and covers to hand for the ground', () => {
    expect(gate('hardened', { hardened: false, rung: 2 })).toMatchObject({ state: 'wait', figure: 2, wants: 3 });
    expect(gate('covers', {})).toMatchObject({ state: 'pass', figure: 0 });
    expect(gate('covers', { cover: { needs_m2: 4, toHand_m2: 4 } }).state).toBe('pass');
    expect(gate('covers', { cover: { needs_m2: 4, toHand_m2: 3.9 } })).toMatchObject({
      state: 'fail',
      figure: 3.9,
      wants: 4,
    });
  });
  it('together: one that fails decides, then one that waits, then advice', () => {
    const g = (state: Gate['state'], mode: Gate['mode'] = 'required'): Gate => ({
      key: 'soil',
      mode,
      state,
      figure: null,
      wants: null,
      day: null,
    });
    expect(verdictOf([g('pass'), g('wait'), g('fail')]).verdict).toBe('not');
    expect(verdictOf([g('pass'), g('unknown')]).verdict).toBe('wait');
    expect(verdictOf([g('pass'), g('fail', 'advisory')])).toMatchObject({ verdict: 'plant', by: { state: 'fail' } });
    expect(verdictOf([g('pass'), g('fail', 'off'), g('pass', 'advisory')])).toEqual({ verdict: 'plant', by: null });
  });
});

describe('too hot to set out', () => {
  it('lines: six above the comfortable day, two below the ceiling, soil four sooner', () => {
    expect(heatLines({ comfortDay_C: 22, growCeiling_C: 40 })).toEqual({ air_C: 28, soil_C: 24 });
    expect(heatLines({ comfortDay_C: 22, growCeiling_C: 29 })).toEqual({ air_C: 27, soil_C: 23 });
  });
  it('the hottest of three days, soil now, and a warm dry wind, each to its mark', () => {
    const hot = (more: (i: number) => Partial<DayWeather>, soil: number | null = null) =>
      tooHot(days(6, more), soil, lines);
    expect(hot(() => ({ most_C: 30 }))).toBeNull();
    expect(hot((i) => ({ most_C: i === 1 ? 31 : i === 2 ? 31 : 30 }))).toMatchObject({
      cause: 'hot',
      figure: 31,
      day: TODAY + 1,
    });
    expect(hot((i) => ({ most_C: i === HEAT_days ? 40 : 20 }))).toBeNull();
    expect(hot((i) => ({ most_C: i === 0 ? null : 20 }))).toBeNull();
    expect(hot(() => ({}), 26)).toBeNull();
    expect(hot(() => ({}), 26.1)).toMatchObject({ cause: 'soil', figure: 26.1, wants: 26, day: null });
    const dry = { most_C: 22, gust_m_s: 11.1, rain_mm: 0.9, sun_frac: 0.5 };
    const wind = (more: Partial<DayWeather>) => hot((i) => (i === 1 ? { ...dry, ...more } : {}))?.cause ?? null;
    expect(wind({})).toBe('dry-wind');
    expect(wind({ most_C: 21.9 })).toBeNull();
    expect(wind({ most_C: null })).toBeNull();
    expect(wind({ gust_m_s: 11 })).toBeNull();
    expect(wind({ gust_m_s: null })).toBeNull();
    expect(wind({ rain_mm: 1 })).toBeNull();
    expect(wind({ rain_mm: null })).toBe('dry-wind');
    expect(wind({ sun_frac: 0.4 })).toBeNull();
    expect(wind({ sun_frac: null })).toBe('dry-wind');
  });
  it('cooler from the first day told on which nothing speaks against it', () => {
    const at = (hot: number[]) =>
      coolerFrom(
        days(7, (i) => ({ most_C: hot.includes(i) ? 35 : 20 })),
        lines,
      );
    expect(at([0, 1])).toBe(TODAY + 2);
    expect(at([0, 1, 3])).toBe(TODAY + 4);
    expect(at([0, 1, 2, 3, 4, 5, 6])).toBeNull();
    expect(
      coolerFrom(
        days(3, (i) => ({ most_C: i === 1 ? null : 20 })),
        lines,
      ),
    ).toBe(TODAY + 2);
  });
});

describe('care of what stands out', () => {
  const out: StandsOut = {
    today: TODAY,
    plantedOn: TODAY - 30,
    layers: 2,
    cover_K: 3,
    harm_C: 0,
    nightMin_C: 5,
    lines,
    forecast: days(5, () => ({ night_C: 8, most_C: 15 })),
    scores,
    frost_frac: 0.2,
  };
  const care = (more: Partial<StandsOut>) => careOf({ ...out, ...more });
  const kinds = (more: Partial<StandsOut>) => care(more).map(({ kind }) => kind);
  it('frost tonight: so many layers more as make it safe, at most three; none where the night is not told', () => {
    const tonight = (night_C: number | null, more: Partial<StandsOut> = {}) =>
      care({ forecast: days(5, (i) => (i === 0 ? { night_C } : { night_C: 8 })), ...more }).find(
        (c) => c.kind === 'cover',
      );
    expect(tonight(8)).toBeUndefined();
    expect(tonight(null)).toBeUndefined();
    expect(tonight(-2.5)).toMatchObject({ layers: 1, low_C: -2.5 });
    expect(tonight(-4)).toMatchObject({ layers: 2 });
    expect(tonight(-20)).toMatchObject({ layers: 3 });
    expect(tonight(0, { layers: 0, cover_K: 0 })).toMatchObject({ layers: 1 });
    expect(tonight(-1.2, { layers: 0, cover_K: 0 })).toMatchObject({ layers: 2 });
  });
  it('layers come off when three nights and more are safe and warm enough without them', () => {
    const left = (night_C: number, n = 5) =>
      care({ forecast: days(n, () => ({ night_C })) }).find((c) => c.kind === 'take-off');
    expect(left(8)).toMatchObject({ left: 0, nights: 5 });
    expect(left(4.9)).toMatchObject({ left: 1 });
    expect(left(5)).toMatchObject({ left: 0 });
    expect(left(3.4)).toBeUndefined();
    expect(left(8, 3)).toMatchObject({ left: 0, nights: 3 });
    expect(left(8, 2)).toBeUndefined();
    expect(
      care({ forecast: days(5, (i) => ({ night_C: i === 4 ? null : 8 })) }).find((c) => c.kind === 'take-off'),
    ).toMatchObject({ nights: 4 });
    expect(kinds({ layers: 0, cover_K: 0 })).not.toContain('take-off');
  });
  it('too hot under the layers that stay: open it', () => {
    expect(hottestUnder_C(2, 15, 0.5)).toBe(25);
    expect(hottestUnder_C(1, 15, 1)).toBe(23);
    expect(hottestUnder_C(1, 15, 0)).toBe(17);
    expect(hottestUnder_C(1, 15, null)).toBe(20);
    const vent = (most_C: number | null, more: Partial<StandsOut> = {}) =>
      kinds({ forecast: days(5, () => ({ night_C: 3, most_C, gust_m_s: 3 })), ...more }).includes('vent');
    expect(vent(20)).toBe(false);
    expect(vent(20.1)).toBe(true);
    expect(vent(null)).toBe(false);
    expect(vent(35, { layers: 0, cover_K: 0 })).toBe(false);
    expect(vent(25, { forecast: days(5, () => ({ night_C: 12, most_C: 25 })) })).toBe(false);
  });
  it('gusts of today and tomorrow, above twelve', () => {
    const held = (at: number, gust: number | null) =>
      care({ forecast: days(5, (i) => ({ night_C: 8, gust_m_s: i === at ? gust : 3 })) }).find(
        (c) => c.kind === 'hold-down',
      );
    expect(held(1, 12)).toBeUndefined();
    expect(held(1, 12.1)).toMatchObject({ gust_m_s: 12.1, day: TODAY + 1 });
    expect(held(2, 30)).toBeUndefined();
    expect(held(0, null)).toBeUndefined();
  });
  it('water: in the first three days, and hot within two weeks, unless two days bring rain', () => {
    const water = (since: number, more: Partial<DayWeather> = {}) =>
      care({ plantedOn: TODAY - since, forecast: days(5, () => ({ night_C: 8, ...more })) }).find(
        (c) => c.kind === 'water',
      );
    expect(water(2)).toEqual({ kind: 'water', hot_C: null });
    expect(water(3)).toBeUndefined();
    expect(water(3, { most_C: 30 })).toBeUndefined();
    expect(water(3, { most_C: 30.5 })).toEqual({ kind: 'water', hot_C: 30.5 });
    expect(water(ROOTING_days - 1, { most_C: 31 })).toBeDefined();
    expect(water(ROOTING_days, { most_C: 31 })).toBeUndefined();
    expect(water(0, { rain_mm: 2 })).toBeUndefined();
    expect(water(0, { rain_mm: 1.9 })).toBeDefined();
    expect(water(0, { rain_mm: null })).toBeDefined();
    expect(water(0, { most_C: null })).toBeUndefined();
  });
  it('nothing is said where nothing is told', () => {
    expect(care({ forecast: [] })).toEqual([]);
  });
});

describe('the first day a crop may stand out', () => {
  const crop = { hardiness: 'tender', plantSoilMin_C: 12, plantNightMin_C: 6 } as const;
  const rising: SiteUsual = { soil_C: (d) => d / 10, night_C: (d) => d / 20, sun_K: () => 0 };
  const out = (risk: number | null, usual: SiteUsual | null = rising, ...more: number[]) =>
    earliestOut(crop, () => risk, usual, more[0] ?? 0, more[1], more[2]);
  it('the day after the frost at its risk, the first warm soil or the first warm nights, the latest of them', () => {
    expect(out(150)).toEqual({ offset: 151, by: 'frost' });
    expect(out(150.5, null)).toEqual({ offset: 152, by: 'frost' });
    expect(out(100)).toMatchObject({ offset: 120 });
    expect(out(119)).toEqual({ offset: 120, by: 'frost' });
    expect(out(-Infinity, null)).toEqual({ offset: 0, by: 'frost' });
    expect(out(-5, null).offset).toBe(0);
    expect(out(null)).toEqual({ offset: null, by: 'frost' });
  });
  it('soil and nights each by themselves, and what a cover adds to them', () => {
    const cold: SiteUsual = { soil_C: (d) => d / 10, night_C: () => 9 };
    expect(out(10, cold)).toEqual({ offset: 120, by: 'soil' });
    expect(out(10, cold, 0, 3)).toEqual({ offset: 90, by: 'soil' });
    const nights: SiteUsual = { soil_C: () => 20, night_C: (d) => d / 20 };
    expect(out(10, nights)).toEqual({ offset: 120, by: 'nights' });
    expect(out(10, nights, 2)).toEqual({ offset: 80, by: 'nights' });
    // A mild midwinter before the cold is no first day.
    const dip: SiteUsual = { soil_C: () => 20, night_C: (d) => (d < 20 || d > 80 ? 9 : 0) };
    expect(out(5, dip)).toEqual({ offset: 81, by: 'nights' });
    expect(out(10, { soil_C: () => 5, night_C: () => 9 }).offset).toBeNull();
    expect(out(10, { soil_C: () => 20, night_C: () => 0 })).toMatchObject({ offset: null });
  });
  it('never in the autumn half', () => {
    expect(out(194, null).offset).toBe(195);
    expect(out(195, null).offset).toBeNull();
    expect(requireDay('2027-01-01')).toBeGreaterThan(0);
  });
});
