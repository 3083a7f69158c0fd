import { describe, expect, it } from 'vitest';
import { OPEN_RUNG as bare } from '../../../tests/support/rung.ts';
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
  type LadderDay,
  type LadderRules,
} from './ladder.ts';
import { heatCeiling_C, newStresses, singleStresses, usualProgramme, type Rung } from './programme.ts';

// Each case stands on a limit, and a hair to either side of it: that is where plants are lost.
const rulesOf = (...rungs: Rung[]): LadderRules => ({ rungs, shelter_K: rungs.map(() => 0), caution: 0.5 });
const mild: LadderDay = { day: 100, most_C: 18, night_C: 9, morning_C: 9, gust_m_s: 5, spread_K: 0 };

describe('what a step’s place is worth on the night', () => {
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
  it('how often a step could be done: days not told are not looked at, wind not told counts as calm', () => {
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

  it('rest and a hold by hand keep a batch that could go on, and are said of the step it is on', () => {
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
  it('back to the highest step the day allows, and to shelter where it allows none', () => {
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

describe('what the weather since made of a step', () => {
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
  it('a gale harms above thirteen tenths of what the step bears, heat and a warm night do not', () => {
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
  it('five days kept in, the last of them yesterday or today, lose a step', () => {
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
  it('light goes before air, air before cold; the steps between last a day', () => {
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
