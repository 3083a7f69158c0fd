import { describe, expect, it } from 'vitest';
import type { ForecastHour } from '../weather/forecast.ts';
import { rungOdds } from './feasible.ts';
import {
  decideDay,
  HARM,
  ladderAhead,
  ladderNow,
  limitOn,
  lowOn,
  NEARLY,
  shelterOf,
  type Decision,
  type LadderDay,
  type LadderRules,
  type Limit,
} from './ladder.ts';
import { orderOf } from './orders.ts';
import { heatCeiling_C, newStresses, singleStresses, usualProgramme, type Rung } from './programme.ts';
import { ladderWalk } from './walk.ts';
import { decisionWords, degreesWords, limitWords } from './words.ts';

// Each case stands on a limit, and a hair to either side of it: that is where plants are lost.
const bare: Rung = {
  words: 'out',
  placeId: null,
  hours_h: 24,
  sun_frac: 1,
  lid_frac: null,
  floor_C: 5,
  gust_m_s: 12,
  cover: 'none',
  days: 2,
};
const rulesOf = (...rungs: Rung[]): LadderRules => ({ rungs, shelter_K: rungs.map(() => 0), caution: 0.5 });
const mild: LadderDay = { day: 100, most_C: 18, night_C: 9, morning_C: 9, gust_m_s: 5, spread_K: 0 };

describe('what a rung’s place is worth on the night', () => {
  it('the open ground nothing, its own place all, a lid as far as it is shut, and the cover over it', () => {
    const at = (more: Partial<Rung>) => shelterOf({ ...bare, ...more }, 4);
    expect(at({})).toBe(0);
    expect(at({ placeId: 7 })).toBe(4);
    expect(at({ lid_frac: 0 })).toBe(4);
    expect(at({ lid_frac: 0.75 })).toBe(1);
    expect(at({ lid_frac: 1, placeId: 7 })).toBe(0);
    expect(at({ cover: 'fleece' })).toBe(2);
    expect(at({ lid_frac: 0.5, cover: 'film' })).toBe(5);
  });
});

describe('what a day allows', () => {
  const rules = rulesOf(bare);
  it('its floor is borne and a hair below is not; the caution is taken off the forecast low', () => {
    expect(limitOn(rules, 1, { ...mild, night_C: 5 })).toBeNull();
    expect(limitOn(rules, 1, { ...mild, night_C: 4.99 })).toMatchObject({ stress: 'cold', figure: 4.99, limit: 5 });
    expect(limitOn(rules, 1, { ...mild, night_C: 6, spread_K: 2 })).toBeNull();
    expect(limitOn(rules, 1, { ...mild, night_C: 6, spread_K: 2.1 })).toMatchObject({ stress: 'cold' });
  });
  it('its heat is borne to the degree, its gust as well; what is not told is said as such', () => {
    const top = heatCeiling_C(bare);
    expect(top).toBe(33);
    expect(limitOn(rules, 1, { ...mild, most_C: top })).toBeNull();
    expect(limitOn(rules, 1, { ...mild, most_C: top + 0.1 })).toMatchObject({ stress: 'heat', limit: top });
    expect(limitOn(rules, 1, { ...mild, most_C: null })).toBeNull();
    expect(limitOn(rules, 1, { ...mild, gust_m_s: 12 })).toBeNull();
    expect(limitOn(rules, 1, { ...mild, gust_m_s: 14 })).toMatchObject({ stress: 'wind', limit: 12 });
    expect(limitOn(rules, 1, { ...mild, gust_m_s: null })).toMatchObject({ stress: 'calm?', figure: null });
    expect(limitOn(rules, 1, { ...mild, night_C: null })).toMatchObject({ stress: 'unknown' });
  });
  it('an outing by day: the morning before it, else the night after, else eight degrees under the top', () => {
    const by = rulesOf({ ...bare, hours_h: 13 });
    expect(lowOn(by, 1, { ...mild, morning_C: 3 })).toBe(3);
    expect(lowOn(by, 1, { ...mild, morning_C: null })).toBe(9);
    expect(lowOn(by, 1, { ...mild, morning_C: null, night_C: null })).toBe(10);
    expect(lowOn(by, 1, { ...mild, most_C: null })).toBeNull();
    expect(lowOn(by, 1, { ...mild, morning_C: 3, spread_K: 2 })).toBe(2);
  });
  it('how often a rung could be done: days not told are not looked at, wind not told counts as calm', () => {
    const days = [
      mild,
      { ...mild, night_C: 0 },
      { ...mild, night_C: null },
      { ...mild, gust_m_s: null },
      { ...mild, gust_m_s: 30 },
    ];
    expect(rungOdds(rules, days)).toEqual([{ rung: 1, days: 4, can_frac: 0.5 }]);
    expect(rungOdds(rules, [{ ...mild, night_C: null }])).toEqual([{ rung: 1, days: 0, can_frac: 0 }]);
  });
});

describe('a day’s decision', () => {
  const low: Rung = { ...bare, floor_C: 9, gust_m_s: 6, sun_frac: 0.3, words: 'shade' };
  const sunny: Rung = { ...low, sun_frac: 1, words: 'sun' };
  const cold: Rung = { ...sunny, floor_C: 5, words: 'cold' };
  const windy: Rung = { ...cold, gust_m_s: 12, words: 'wind' };
  const rules = rulesOf(low, sunny, cold, windy);

  it('rest and a hold by hand keep a batch that could go on, and are said of the rung it is on', () => {
    expect(decideDay(rules, { rung: 2, served: 1 }, mild, true)).toMatchObject({
      say: 'hold',
      served: 1,
      limit: { stress: 'rest', rung: 2 },
    });
    expect(decideDay(rules, { rung: 0, served: 0 }, mild, false, true).limit).toMatchObject({
      stress: 'hand',
      rung: 1,
    });
  });
  it('serves its days, climbs when they are served, and is done after the last', () => {
    expect(decideDay(rules, { rung: 1, served: 1 }, { ...mild, night_C: 12 })).toMatchObject({
      say: 'go',
      rung: 1,
      served: 2,
      climbs: false,
    });
    expect(decideDay(rules, { rung: 1, served: 2 }, { ...mild, night_C: 12 })).toMatchObject({
      say: 'go',
      rung: 2,
      served: 1,
      climbs: true,
    });
    expect(decideDay(rules, { rung: 4, served: 2 }, { ...mild, night_C: 12 })).toMatchObject({
      say: 'go',
      done: true,
      served: 3,
    });
  });
  it('back to the highest rung the day allows, and to shelter where it allows none', () => {
    expect(decideDay(rules, { rung: 4, served: 1 }, { ...mild, gust_m_s: 20 })).toMatchObject({ say: 'back', rung: 0 });
    expect(decideDay(rules, { rung: 4, served: 1 }, { ...mild, night_C: 4 })).toMatchObject({ say: 'back', rung: 0 });
    expect(
      decideDay(
        rulesOf({ ...low, floor_C: 2 }, { ...cold, floor_C: 5 }),
        { rung: 2, served: 1 },
        { ...mild, night_C: 4 },
      ),
    ).toMatchObject({ say: 'back', rung: 1, limit: { rung: 2 } });
  });
  it('one new stress at a time: near the other’s limit it waits, on the mark it does not', () => {
    const climb = (rung: number, day: Partial<LadderDay>) =>
      decideDay(rules, { rung, served: 2 }, { ...mild, night_C: 12, ...day });
    // To more sun: the gust that counts as near is over nine tenths, the night under a degree above the floor.
    expect(climb(1, { gust_m_s: NEARLY.gust_frac * 6 })).toMatchObject({ climbs: true });
    expect(climb(1, { gust_m_s: NEARLY.gust_frac * 6 + 0.01 }).limit).toMatchObject({
      stress: 'two',
      raises: 'sun',
      figure: NEARLY.gust_frac * 6 + 0.01,
      limit: 6,
    });
    expect(climb(1, { night_C: 10 })).toMatchObject({ climbs: true });
    expect(climb(1, { night_C: 9.99 }).limit).toMatchObject({ stress: 'two', raises: 'sun', figure: 9.99, limit: 9 });
    // To more cold only the gust can meet it, to more wind only the cold.
    expect(climb(2, { night_C: 9, gust_m_s: 5 })).toMatchObject({ climbs: true });
    expect(climb(2, { night_C: 9, gust_m_s: 5.9 }).limit).toMatchObject({ stress: 'two', raises: 'cold' });
    expect(climb(3, { night_C: 9, gust_m_s: 6 })).toMatchObject({ climbs: true });
    expect(climb(3, { night_C: 5.5 }).limit).toMatchObject({ stress: 'two', raises: 'wind', figure: 5.5, limit: 5 });
    // Kept waiting, the day counts on the rung it is on.
    expect(climb(3, { night_C: 5.5 })).toMatchObject({ say: 'hold', rung: 3, served: 3 });
    expect(decideDay(rules, { rung: 0, served: 0 }, { ...mild, night_C: 1 })).toMatchObject({ rung: 0, served: 0 });
  });
  it('the coming days: rest and hold end on their day, not the day after', () => {
    const days = [100, 101, 102].map((day) => ({ ...mild, day }));
    const said = (rest: number, held: number) =>
      ladderAhead(rules, { rung: 1, served: 0 }, days, rest, held).map(({ limit }) => limit?.stress ?? 'go');
    expect(said(101, 0)).toEqual(['rest', 'go', 'go']);
    expect(said(0, 102)).toEqual(['hand', 'hand', 'go']);
    expect(said(102, 102)).toEqual(['rest', 'rest', 'go']);
  });
});

describe('what the weather since made of a rung', () => {
  const rules = rulesOf({ ...bare, floor_C: 8 }, bare);
  const seen = (day: number, more: Partial<LadderDay>): [number, LadderDay] => [day, { ...mild, day, ...more }];
  const now = (days: [number, LadderDay][], held: number[] = [], logged = 2) =>
    ladderNow(rules, { rung: logged, since: 100, held }, new Map(days), 103);

  it('three degrees under the floor harms, a hair less does not; a day foretold never does', () => {
    expect(now([seen(101, { night_C: 5 - HARM.below_K })]).harmed).toBeNull();
    expect(now([seen(101, { night_C: 5 - HARM.below_K - 0.01 })])).toMatchObject({
      harmed: { stress: 'cold' },
      harmedOn: 101,
    });
    expect(now([seen(101, { night_C: -5, spread_K: 1 })]).harmed).toBeNull();
    expect(now([seen(101, { night_C: -5 })], [101]).harmed).toBeNull();
  });
  it('a gale harms above thirteen tenths of what the rung bears, heat and a warm night do not', () => {
    expect(now([seen(101, { gust_m_s: 12 * HARM.gust_frac })]).harmed).toBeNull();
    expect(now([seen(101, { gust_m_s: 12 * HARM.gust_frac + 0.1 })]).harmed).toMatchObject({ stress: 'wind' });
    expect(now([seen(101, { most_C: 60 })]).harmed).toBeNull();
  });
  it('days that were borne or not told count, days held or too hard do not', () => {
    expect(now([]).at).toEqual({ rung: 2, served: 3 });
    expect(now([seen(101, { night_C: 4 })]).at).toEqual({ rung: 2, served: 2 });
    expect(now([seen(101, { night_C: null })]).at.served).toBe(3);
    expect(now([], [101]).at.served).toBe(2);
    expect(now([], [], 9).at.rung).toBe(2);
    expect(ladderNow(rules, { rung: 0, since: 100, held: [] }, new Map(), 103).at).toEqual({ rung: 0, served: 0 });
    expect(ladderNow(rules, { rung: 1, since: null, held: [] }, new Map(), 103).at).toEqual({ rung: 0, served: 0 });
    expect(ladderNow(rules, { rung: 1, since: 100, held: [] }, new Map(), 103).at).toEqual({ rung: 1, served: 3 });
  });
  it('five days kept in, the last of them yesterday or today, lose a rung', () => {
    const kept = (from: number, to: number) =>
      ladderNow(
        rules,
        { rung: 2, since: 90, held: Array.from({ length: to - from + 1 }, (_, i) => from + i) },
        new Map(),
        103,
      ).at;
    expect(kept(98, 102)).toEqual({ rung: 1, served: 0 });
    expect(kept(99, 103)).toEqual({ rung: 1, served: 0 });
    expect(kept(99, 102).rung).toBe(2);
    expect(kept(97, 101).rung).toBe(2);
    expect(kept(91, 103).rung).toBe(1);
  });
});

describe('new stresses', () => {
  const raised = (before: Partial<Rung>, then: Partial<Rung>) =>
    newStresses({ ...bare, ...before }, { ...bare, ...then });
  it('two degrees colder, the first night out, a fleece taken off', () => {
    expect(raised({ floor_C: 7 }, {})).toEqual(['cold']);
    expect(raised({ floor_C: 6.9 }, {})).toEqual([]);
    expect(raised({ hours_h: 23 }, {})).toEqual(['cold']);
    expect(raised({}, { hours_h: 23 })).toEqual([]);
    expect(raised({ cover: 'fleece' }, {})).toEqual(['cold']);
    expect(raised({ cover: 'film' }, { cover: 'fleece' })).toEqual([]);
    expect(raised({ cover: 'fleece', hours_h: 10 }, { hours_h: 10 })).toEqual([]);
  });
  it('more sun by 0.15, more gust by 2 m/s, a lid wider by 0.6', () => {
    expect(raised({ sun_frac: 0.75 }, { sun_frac: 0.9 })).toEqual(['sun']);
    expect(raised({ sun_frac: 0.76 }, { sun_frac: 0.9 })).toEqual([]);
    expect(raised({ gust_m_s: 10 }, {})).toEqual(['wind']);
    expect(raised({ gust_m_s: 10.1 }, {})).toEqual([]);
    expect(raised({ lid_frac: 0 }, { lid_frac: 0.6 })).toEqual(['wind']);
    expect(raised({ lid_frac: 0 }, { lid_frac: 0.59 })).toEqual([]);
    expect(raised({ lid_frac: 0.4 }, { lid_frac: null })).toEqual(['wind']);
  });
  it('light goes before air, air before cold; the rungs between last a day', () => {
    const before: Rung = { ...bare, sun_frac: 0.3, gust_m_s: 6, floor_C: 9 };
    const steps = singleStresses([before, { ...bare, lid_frac: 0.5 }]);
    expect(steps.map(({ sun_frac, gust_m_s, floor_C, days }) => [sun_frac, gust_m_s, floor_C, days])).toEqual([
      [0.3, 6, 9, 2],
      [1, 6, 9, 1],
      [1, 12, 9, 1],
      [1, 12, 5, 2],
    ]);
    expect(() => singleStresses([{ ...bare, lid_frac: 1.2 }])).toThrow(/lid/);
    expect(singleStresses([{ ...bare, lid_frac: 1 }])).toHaveLength(1);
  });
  it('the usual programme fits into its days, a day too few takes another, none known takes the first', () => {
    const of = (kind: 'lid' | 'hours' | 'shade', days: number) => ({ kind, name: kind, rungs: [{ ...bare, days }] });
    const both = [of('hours', 4), of('lid', 10)];
    expect(usualProgramme(both, 'half-hardy', 10)!.kind).toBe('lid');
    expect(usualProgramme(both, 'half-hardy', 9)!.kind).toBe('hours');
    expect(usualProgramme(both, 'half-hardy', 1)!.kind).toBe('hours');
    expect(usualProgramme([of('shade', 3)], 'tender', 9)!.kind).toBe('shade');
    expect(usualProgramme([], 'tender', 9)).toBeNull();
  });
});

describe('today’s order', () => {
  const hour = (at: number, temp_C: number, gust_m_s: number | null = 3): ForecastHour => ({
    day: 100,
    hour: at,
    temp_C,
    wind_m_s: null,
    gust_m_s,
    rain_mm: null,
    cloud_frac: null,
  });
  const day = (temp: (h: number) => number, gust: (h: number) => number | null = () => 3) =>
    Array.from({ length: 24 }, (_, h) => hour(h, temp(h), gust(h)));
  const home = { from_h: 8, to_h: 18 };
  const outing: Rung = { ...bare, hours_h: 2, floor_C: 10 };

  it('the mildest run that keeps to floor and gust, each borne to the mark', () => {
    const warm = day((h) => (h === 14 || h === 15 ? 12 : 10));
    expect(orderOf(outing, warm, home, 20)).toEqual({
      out_h: 14,
      in_h: 16,
      least_C: 12,
      gust_m_s: 3,
      cover_h: null,
      short: null,
    });
    expect(
      orderOf(
        outing,
        day(() => 9.9),
        home,
        20,
      ),
    ).toMatchObject({ out_h: null, short: 'cold', least_C: 9.9 });
    expect(
      orderOf(
        outing,
        day(
          () => 15,
          () => 12,
        ),
        home,
        20,
      ),
    ).toMatchObject({ out_h: 8, in_h: 10, gust_m_s: 12 });
    expect(
      orderOf(
        outing,
        day(
          () => 15,
          (h) => (h === 9 ? 3 : 12.1),
        ),
        home,
        20,
      ),
    ).toMatchObject({
      out_h: 9,
      in_h: 10,
      short: 'wind',
    });
    expect(
      orderOf(
        outing,
        day(
          () => 5,
          (h) => (h === 9 ? 12.1 : 3),
        ),
        home,
        20,
      ),
    ).toMatchObject({ short: 'wind' });
  });
  it('why it is short: nobody there, too cold before and after, too windy', () => {
    const long = { ...outing, hours_h: 11 };
    expect(
      orderOf(
        long,
        day(() => 15),
        home,
        20,
      ),
    ).toMatchObject({ out_h: 8, in_h: 18, short: 'home' });
    expect(
      orderOf(
        { ...long, hours_h: 10 },
        day(() => 15),
        home,
        20,
      ),
    ).toMatchObject({ short: null });
    expect(
      orderOf(
        { ...long, hours_h: 5 },
        day((h) => (h >= 12 && h < 15 ? 11 : 4)),
        home,
        20,
      ),
    ).toMatchObject({
      out_h: 12,
      in_h: 15,
      short: 'cold',
    });
  });
  it('shade keeps out of the strongest sun, full sun does not care', () => {
    const even = day(() => 15);
    expect(
      orderOf(
        { ...outing, hours_h: 4, sun_frac: 0.3 },
        day((h) => (h >= 11 ? 15 : 14)),
        home,
        20,
      ),
    ).toMatchObject({
      out_h: 14,
      in_h: 18,
    });
    expect(orderOf({ ...outing, hours_h: 3, sun_frac: 0.3 }, even, { from_h: 10, to_h: 18 }, 20)).toMatchObject({
      out_h: 15,
    });
    expect(orderOf({ ...outing, hours_h: 2, sun_frac: 0.3 }, even, { from_h: 9, to_h: 16 }, 20)).toMatchObject({
      out_h: 9,
    });
    expect(orderOf({ ...outing, hours_h: 1, sun_frac: 0.3 }, even, { from_h: 14, to_h: 16 }, 20)).toMatchObject({
      out_h: 15,
    });
    expect(orderOf({ ...outing, hours_h: 2, sun_frac: 0.7 }, even, { from_h: 11, to_h: 18 }, 20)).toMatchObject({
      out_h: 11,
    });
  });
  it('day and night: out at the first hour, covers an hour before sunset while somebody is there', () => {
    const whole = day(
      (h) => 20 - h / 2,
      (h) => (h === 3 ? 9 : null),
    );
    expect(orderOf({ ...bare, cover: 'fleece' }, whole, home, 17.6)).toEqual({
      out_h: 8,
      in_h: null,
      least_C: 8.5,
      gust_m_s: 9,
      cover_h: 16,
      short: null,
    });
    expect(orderOf({ ...bare, cover: 'fleece' }, whole, home, 21).cover_h).toBe(18);
    expect(orderOf({ ...bare, cover: 'fleece' }, whole, home, 8.5).cover_h).toBe(8);
    expect(orderOf(bare, [], home, 20)).toMatchObject({ least_C: null, gust_m_s: null, cover_h: null });
    expect(orderOf(bare, [hour(9, 12, null)], home, 20)).toMatchObject({ least_C: 12, gust_m_s: null });
  });
});

describe('a ladder walked through known weather', () => {
  const one: Rung = { ...bare, days: 1 };
  const walk = (rungs: Rung[], days: { most: number; least: number; gust: number }[], at = { rung: 0, served: 0 }) =>
    ladderWalk({ rungs, shelter_K: rungs.map(() => 0) })(
      at,
      {
        least_C: Float32Array.from(days, (d) => d.least),
        most_C: Float32Array.from(days, (d) => d.most),
        gust_m_s: Float32Array.from(days, (d) => d.gust),
        row: 0,
        days: days.length,
      },
      0,
    );
  const fine = { most: 18, least: 9, gust: 5 };
  it('climbs on the mark of heat and gust, and not a hair beyond it', () => {
    const climbed = (d: Partial<typeof fine>) => walk([one], [{ ...fine, ...d }, fine, fine, fine]);
    expect(climbed({})).toBe(1);
    expect(climbed({ most: 33 })).toBe(1);
    expect(climbed({ most: 33.5 })).toBe(2);
    expect(climbed({ gust: 12 })).toBe(1);
    expect(climbed({ gust: 12.5 })).toBe(2);
  });
  it('a day too hot, too windy or too cold does not count for the rung it is on', () => {
    const served = (d: Partial<typeof fine>) =>
      walk([{ ...one, days: 2 }], [{ ...fine, ...d }, fine, fine, fine], { rung: 1, served: 1 });
    expect(served({})).toBe(1);
    expect(served({ most: 33.5 })).toBe(2);
    expect(served({ most: 33 })).toBe(1);
    expect(served({ gust: 12.5 })).toBe(2);
    expect(walk([{ ...one, days: 2 }], [fine, { ...fine, least: 4 }, fine, fine], { rung: 1, served: 1 })).toBe(2);
  });
  it('waits where two stresses would meet, on the same marks as the decision of a day', () => {
    const shade: Rung = { ...one, sun_frac: 0.3 };
    const on = (gust: number, night: number) =>
      walk([shade, one], [{ ...fine, gust }, { ...fine, least: night }, fine, fine, fine], { rung: 1, served: 1 });
    expect(on(NEARLY.gust_frac * 12 - 0.01, 9)).toBe(1);
    expect(on(11, 9)).toBe(2);
    expect(on(5, 6)).toBe(1);
    expect(on(5, 5.9)).toBe(2);
  });
});

describe('a decision in words', () => {
  const rungs = [bare, { ...bare, words: 'out in wind' }];
  const limit = (stress: Limit['stress'], figure: number | null, bears: number | null, more: Partial<Limit> = {}) =>
    limitWords({ stress, rung: 2, figure, limit: bears, ...more }, rungs, 'C');
  it('says what is met and what is borne, of each stress', () => {
    expect(limit('cold', 3.2, 5)).toBe('3°C where rung 2 wants 5°C or more');
    expect(limit('cold', 4.9, 5)).toBe('4.9°C where rung 2 wants 5.0°C or more');
    expect(limit('wind', 15, 12)).toMatch(/^gusts of 54 km\/h, rung 2 bears 43 km\/h$/);
    expect(limit('heat', 35, 33)).toMatch(/^35°C by day, rung 2 bears 33°C/);
    expect(limit('calm?', null, 12)).toMatch(/^no gusts told, rung 2 bears 43 km\/h/);
    expect(limit('rest', null, null)).toBe('resting after potting');
    expect(limit('hand', null, null)).toBe('held by hand');
    expect(limit('unknown', null, null)).toBe('no forecast for it');
    expect(limit('two', 5.5, 5, { raises: 'wind' })).toMatch(/new wind and the day brings 5.5°C, near its lowest/);
    expect(limit('two', 11, 12, { raises: 'sun' })).toMatch(
      /new sun and the day brings gusts of 40 km\/h, near its most/,
    );
    expect(limit('two', 5.5, 5, { raises: 'sun' })).toMatch(/brings 5.5°C, near its lowest/);
    expect(limit('two', 11, 12, { raises: 'sun', rung: 9 })).toMatch(/gusts/);
    expect(degreesWords(-0.1, 'C')).toBe('0°C');
    expect(degreesWords(-3, 'C')).toBe('−3°C');
  });
  it('says what is done on the day', () => {
    const said = (more: Partial<Decision>) =>
      decisionWords(
        { say: 'go', rung: 2, climbs: false, served: 1, of: 2, limit: null, done: false, ...more },
        rungs,
        'C',
      );
    const cold: Limit = { stress: 'cold', rung: 2, figure: 3, limit: 5 };
    expect(said({})).toBe('rung 2 of 2: out in wind, day 1 of 2');
    expect(said({ climbs: true })).toBe('rung 2 of 2: out in wind');
    expect(said({ of: 1 })).toBe('rung 2 of 2: out in wind');
    expect(said({ done: true })).toBe('the last rung is done: hardened');
    expect(said({ say: 'hold', limit: cold })).toBe('hold on rung 2, out in wind: 3°C where rung 2 wants 5°C or more');
    expect(said({ say: 'hold', rung: 0, limit: cold })).toBe('hold: 3°C where rung 2 wants 5°C or more');
    expect(said({ say: 'back', rung: 1, limit: cold })).toMatch(/^only rung 1, out: 3°C/);
    expect(said({ say: 'back', rung: 0, limit: cold })).toMatch(/^keep them in: 3°C/);
  });
});
