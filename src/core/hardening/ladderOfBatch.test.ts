import { describe, expect, it } from 'vitest';
import type { CropRecord } from '../books/records.ts';
import { UNSOWN, type BatchState } from '../batch/reduce.ts';
import type { World } from '../house/world.ts';
import type { BatchPlan } from '../plan/batchPlan.ts';
import type { Season } from '../plan/season.ts';
import type { SeasonTables } from '../plan/schedule/seasonTables.ts';
import { scoresOf } from '../weather/score.ts';
import type { Site } from '../weather/site.ts';
import { daysAbout, programmeOdds } from './feasibleOf.ts';
import { ladderOf, programmeOf, rulesOf, shutWorth_K } from './ladderOfBatch.ts';
import { PROGRAMMES, type Programme, type Rung } from './programme.ts';
import { requireDay } from '../calendar/dayNumber.ts';

const TODAY = requireDay('2027-05-10');
const rung = (words: string, more: Partial<Rung> = {}): Rung => ({
  words,
  placeId: null,
  hours_h: 24,
  sun_frac: 0.7,
  lid_frac: 0,
  floor_C: 5,
  gust_m_s: 14,
  cover: 'none',
  days: 2,
  ...more,
});
const own: Programme = {
  id: 7,
  name: 'Own',
  kind: 'lid',
  rungs: [rung('shut'), rung('half', { lid_frac: 0.5, floor_C: 4 }), rung('off', { lid_frac: 1, floor_C: 3 })],
};
const crop = { hardiness: 'tender', name: 'tomato' } as unknown as CropRecord;
const plan = {
  programmeId: 7,
  hardening_days: 8,
  places: { germinate: 1, grow: 2, pot: 3, harden: 4 },
} as unknown as BatchPlan;
const place = (id: number, more: object = {}) => ({
  id,
  name: `place ${id}`,
  kind: 'frame',
  temperature: null,
  ...more,
});
const worldOf = (more: object = {}): World =>
  ({
    programmes: [own],
    covers: [],
    places: [place(3), place(4, { temperature: { kind: 'outside', plusNight_K: 3 } }), place(5, { kind: 'ground' })],
    nursery: {
      timeZone: 'UTC',
      longitude_deg: 0,
      latitude_deg: 52,
      temperatureUnit: 'C',
      potting: { rest_days: 3 },
      planting: { caution: 0, home: { from_h: 8, to_h: 18 } },
    },
    ...more,
  }) as unknown as World;
const known = (value: number) => ({ value, spread_K: 0 });
/** Calm days of 18 degrees and nights of 6, but those named. */
const siteOf = (nights: Record<number, number> = {}, more: object = {}): Site => {
  const days = Array.from({ length: 5 }, (_, i) => ({
    day: TODAY + i,
    lead: i,
    most_C: 18,
    night_C: nights[i] ?? 6,
    least_C: 6,
    gust_m_s: 5,
  }));
  const past = Array.from({ length: 11 }, (_, i) => TODAY - 10 + i);
  return {
    today: TODAY,
    least: new Map(past.map((day) => [day, known(nights[day - TODAY - 1] ?? 6)])),
    most: new Map(past.map((day) => [day, known(18)])),
    gusts: new Map(past.map((day) => [day, known(5)])),
    usual: { from: TODAY - 10, day_C: new Float64Array(30).fill(16), night_C: new Float64Array(30).fill(7) },
    forecast: { days, hours: [] },
    scores: scoresOf([]),
    worths: new Map(),
    history: [],
    ...more,
  } as unknown as Site;
};
const tables = {
  climateOf: () => ({ from: TODAY - 10, day_C: new Float64Array(30).fill(20), night_C: new Float64Array(30).fill(9) }),
} as unknown as SeasonTables;
const ladder = (
  state: Partial<BatchState>,
  its: { site?: Site; world?: World; startsOn?: number | null; plan?: BatchPlan } = {},
) =>
  ladderOf({
    plan: its.plan ?? plan,
    crop,
    state: { ...UNSOWN, ...state },
    world: its.world ?? worldOf(),
    site: its.site ?? siteOf(),
    tables,
    startsOn: its.startsOn === undefined ? null : its.startsOn,
  });
const hardening = (rungNow: number, since: number, more: Partial<BatchState> = {}): Partial<BatchState> => ({
  phase: 'hardening',
  rung: rungNow,
  rungOn: TODAY - since,
  rungLoggedOn: TODAY - since,
  ...more,
});

describe('the programme of a batch', () => {
  it('is its own where it has chosen one, else the usual one of its crop, from the house’s or those to start from', () => {
    expect(programmeOf(worldOf(), plan, crop)).toMatchObject({ programme: { id: 7 }, chosen: true });
    const other = { ...plan, programmeId: 99 } as unknown as BatchPlan;
    expect(programmeOf(worldOf(), other, crop)).toMatchObject({ programme: { id: 7 }, chosen: false });
    const none = programmeOf({ programmes: [] }, other, crop);
    expect(none).toMatchObject({ programme: { kind: 'hours', id: -1 }, chosen: false });
    expect(none.programme.rungs).toEqual(PROGRAMMES[0]!.rungs);
  });
});

describe('what a place is worth with its lid shut', () => {
  const worth = (id: number | null, world = worldOf(), site = siteOf()) => shutWorth_K(id, world, site, tables);
  it('its structure as measured, else as written; never below nothing', () => {
    const world = worldOf({ covers: [{ id: 1, placeId: 4, worth_K: 2.5 }] });
    expect(worth(4, world)).toBe(2.5);
    expect(worth(4, world, siteOf({}, { worths: new Map([[1, { worth_K: 1.5 }]]) }))).toBe(1.5);
    expect(worth(4, world, siteOf({}, { worths: new Map([[1, { worth_K: -1 }]]) }))).toBe(0);
  });
  it('without one by its temperatures: what it is above outside, or above the usual night', () => {
    expect(worth(4)).toBe(3);
    expect(worth(4, worldOf({ places: [place(4, { temperature: { kind: 'outside', plusNight_K: -1 } })] }))).toBe(0);
    expect(worth(3)).toBe(2);
    expect(worth(3, worldOf(), siteOf({}, { usual: null }))).toBe(0);
    expect([worth(5), worth(null), worth(99)]).toEqual([0, 0, 0]);
  });
  it('goes into the steps by their lids, of the step’s own place where it has one', () => {
    const rules = rulesOf({ plan, crop, world: worldOf(), site: siteOf(), tables });
    expect(rules.shelter_K.slice(0, 2)).toEqual([3, 1.5]);
    expect(rules.caution).toBe(0);
    const elsewhere = { ...own, rungs: [rung('elsewhere', { placeId: 3, lid_frac: null })] };
    expect(
      rulesOf({ plan, crop, world: worldOf({ programmes: [elsewhere] }), site: siteOf(), tables }).shelter_K,
    ).toEqual([2]);
  });
});

describe('where a batch stands on its ladder', () => {
  it('is told from ten days before it starts, and while it hardens', () => {
    const grown = { phase: 'growing' } as const;
    expect(ladder(grown, { startsOn: TODAY + 10 })).not.toBeNull();
    expect(ladder(grown, { startsOn: TODAY + 11 })).toBeNull();
    expect(ladder({ phase: 'potted' }, { startsOn: TODAY })).not.toBeNull();
    expect(ladder(grown)).toBeNull();
    for (const phase of ['planned', 'sown', 'emerged', 'planted', 'ended'] as const)
      expect(ladder({ phase }, { startsOn: TODAY })).toBeNull();
    expect(ladder(hardening(1, 1))).toMatchObject({ programme: { id: 7, name: 'Own' }, chosen: true, unit: 'C' });
  });
  it('decides from today while it hardens, from its first day before', () => {
    const now = ladder(hardening(1, 1))!;
    expect(now.decisions).toHaveLength(5);
    expect([now.today, now.at]).toEqual([TODAY, { rung: 1, served: 1 }]);
    expect(now.decisions.map(({ rung: r }) => r).slice(0, 2)).toEqual([1, 2]);
    const ahead = ladder({ phase: 'growing' }, { startsOn: TODAY + 3 })!;
    expect(ahead.decisions).toHaveLength(2);
    expect(ahead.today).toBe(TODAY + 3);
    expect(ahead.at).toEqual({ rung: 0, served: 0 });
  });
  it('hardened when the last step has had its days, and not a day before', () => {
    const last = rulesOf({ plan, crop, world: worldOf(), site: siteOf(), tables }).rungs.length;
    expect(ladder(hardening(last, 2))!.hardened).toBe(true);
    expect(ladder(hardening(last, 1))!.hardened).toBe(false);
    expect(ladder(hardening(last - 1, 9))!.hardened).toBe(false);
  });
  it('set back a step by a frost that harmed, until somebody has logged a step since', () => {
    const frost = siteOf({ [-3]: -6 });
    const hit = ladder(hardening(2, 5), { site: frost })!;
    expect(hit.harmed).toMatchObject({ stress: 'cold' });
    expect(hit).toMatchObject({ harmedOn: TODAY - 3, setBackTo: 1 });
    expect(ladder(hardening(2, 5, { rungLoggedOn: TODAY - 2 }), { site: frost })).toMatchObject({
      harmed: null,
      harmedOn: null,
      setBackTo: null,
    });
    expect(ladder(hardening(2, 5, { rungLoggedOn: TODAY - 3 }), { site: frost })!.setBackTo).toBe(1);
    expect(ladder(hardening(1, 5), { site: frost })).toMatchObject({ setBackTo: null, harmedOn: TODAY - 3 });
  });
  it('rests after potting and is held by hand until their days', () => {
    const rested = ladder(hardening(1, 1, { facts: { pot: TODAY - 1 }, held: { rung: TODAY + 1 } }))!;
    expect([rested.restsUntil, rested.heldUntil]).toEqual([TODAY + 2, TODAY + 1]);
    expect(rested.decisions[0]!.limit).toMatchObject({ stress: 'rest' });
    expect(ladder(hardening(1, 1, { held: { rung: TODAY + 1 } }))!.decisions[0]!.limit).toMatchObject({
      stress: 'hand',
    });
  });
  it('without a forecast it says that it does not know; not hardening it says nothing', () => {
    const blind = siteOf({}, { forecast: null });
    expect(ladder(hardening(1, 1), { site: blind })!.decisions).toMatchObject([
      { say: 'hold', limit: { stress: 'unknown' } },
    ]);
    expect(ladder({ phase: 'growing' }, { site: blind, startsOn: TODAY + 1 })!.decisions).toEqual([]);
  });
  it('today’s order: where, out and in, by the hours of the forecast', () => {
    const outing = { ...own, rungs: [rung('an hour', { hours_h: 1, lid_frac: null, floor_C: 5 })] };
    const hours = Array.from({ length: 24 }, (_, hour) => ({
      day: TODAY,
      hour,
      temp_C: hour === 13 ? 16 : 12,
      wind_m_s: 2,
      gust_m_s: 3,
      rain_mm: 0,
      cloud_frac: 0,
    }));
    const yesterday = hours.map((h) => ({ ...h, day: TODAY - 1, temp_C: 0 }));
    const site = siteOf();
    const told = { ...site, forecast: { ...site.forecast!, hours: [...yesterday, ...hours] } } as Site;
    const its = ladder(hardening(1, 0), { site: told, world: worldOf({ programmes: [outing] }) })!;
    expect(its.order).toMatch(/^out beside place 4 at 13:00, in by 14:00/);
    expect(its.orderOfDay).toMatchObject({ out_h: 13, in_h: 14, least_C: 16 });
    expect(ladder({ phase: 'growing' }, { site: told, startsOn: TODAY })).toMatchObject({
      order: '',
      orderOfDay: null,
    });
  });
});

describe('how often a step can be done here', () => {
  const year = (y: number, night_C: number) =>
    Array.from({ length: 61 }, (_, i) => ({
      day: requireDay(`${y}-04-15`) + i,
      least_C: i === 5 && y === 2025 ? null : night_C,
      most_C: 18,
    }));
  const season = (history: object[], key = 0) =>
    ({ world: worldOf(), tables, site: siteOf({}, { history, key }) }) as unknown as Season;
  it('looks at three weeks either side in each year, a day only where its own and the next night are known', () => {
    const days = daysAbout(season([...year(2024, 6), ...year(2025, 6)]), TODAY);
    expect(days).toHaveLength(43 + 41);
    expect(days[0]).toMatchObject({
      day: requireDay('2024-04-19'),
      most_C: 18,
      night_C: 6,
      morning_C: 6,
      gust_m_s: null,
    });
    expect(daysAbout(season(year(2024, 6)), TODAY, 1)).toHaveLength(3);
    expect(daysAbout(season([]), TODAY)).toEqual([]);
  });
  it('by the share of those days on which its floor holds', () => {
    const odds = programmeOdds(season([...year(2023, 6), ...year(2024, -8)]), own, 'tender', 4, TODAY);
    expect(odds[0]).toEqual({ rung: 1, days: 86, can_frac: 0.5 });
    expect(programmeOdds(season([]), own, 'tender', 4, TODAY)).toEqual([]);
    expect(programmeOdds({ ...season([]), site: null } as Season, own, 'tender', 4, TODAY)).toEqual([]);
    const its = season(year(2024, 4));
    expect(programmeOdds(its, own, 'tender', 4, TODAY)).toBe(programmeOdds(its, own, 'tender', 4, TODAY));
    // In the open the shut lid is worth nothing: four degrees are below the first rung's floor.
    expect(programmeOdds(its, own, 'tender', 5, TODAY)[0]!.can_frac).toBe(0);
    expect(programmeOdds(its, own, 'tender', 4, TODAY)[0]!.can_frac).toBe(1);
  });
});
