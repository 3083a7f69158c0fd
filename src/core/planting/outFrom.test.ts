import { describe, expect, it } from 'vitest';
import { isoFromDay, requireDay } from '../calendar/dayNumber.ts';
import type { CropRecord } from '../books/records.ts';
import { UNSOWN } from '../batch/reduce.ts';
import type { Ladder } from '../hardening/ladderOfBatch.ts';
import type { CoverRecord } from '../hardening/records.ts';
import type { World } from '../house/world.ts';
import type { BatchPlan } from '../plan/batchPlan.ts';
import type { BatchView, Season } from '../plan/season.ts';
import type { SeasonTables } from '../plan/schedule/seasonTables.ts';
import { scoresOf } from '../weather/score.ts';
import type { Site } from '../weather/site.ts';
import {
  isUnlikely,
  meanCover,
  nightsSoFar,
  ODDS_AHEAD_days,
  oddsNow,
  oddsTask,
  safeCover_K,
  springInput,
  springsOf,
  SPRING_days,
  type OddsView,
} from './oddsOfBatch.ts';
import { outFrom } from './outFrom.ts';
import { USUAL_PLANTING } from './settings.ts';

const TODAY = requireDay('2027-04-20');
const tomato = {
  id: 1,
  name: 'tomato',
  hardiness: 'tender',
  plantSoilMin_C: 12,
  plantNightMin_C: 8,
  weeksFromLastFrost: 2,
} as unknown as CropRecord;
const fleece = { id: 3, name: 'fleece', layers: 1, worth_K: 2, soil_K: 1.5, placeId: null } as unknown as CoverRecord;
const worldOf = (nursery: object = {}): World =>
  ({
    crops: [tomato],
    varieties: [],
    covers: [fleece],
    places: [],
    programmes: [],
    nursery: {
      latitude_deg: 52,
      longitude_deg: 0,
      lastFrost: '05-12',
      outside: null,
      frost: null,
      temperatureUnit: 'C',
      potting: { rest_days: 3 },
      planting: { ...USUAL_PLANTING, layerSchool: 'degrees', layer_weeks: 2 },
      ...nursery,
    },
  }) as unknown as World;
/** Lows that fall below freezing until a day of each spring, and again from October. */
const lowsUntil = (monthDays: readonly string[]) =>
  monthDays.flatMap((until, i) => {
    const year = 2015 + i;
    const last = requireDay(`${year}-${until}`);
    return Array.from({ length: 365 }, (_, d) => requireDay(`${year}-01-01`) + d).map((day) => ({
      day,
      least_C: day <= last || day >= requireDay(`${year}-10-15`) ? -1 : 6,
    }));
  });
const TEN = ['05-01', '05-02', '05-03', '05-04', '05-05', '05-06', '05-07', '05-08', '05-09', '05-20'];
const usual = {
  from: TODAY - 60,
  day_C: Float64Array.from({ length: 366 }, () => 16),
  night_C: Float64Array.from({ length: 366 }, (_, i) => 2 + i / 10),
};
const site = (more: object = {}): Site =>
  ({
    today: TODAY,
    latitude_deg: 52,
    lows: [],
    history: [],
    usual,
    forecast: null,
    scores: scoresOf([]),
    least: new Map(),
    worths: new Map(),
    soil: { from: TODAY - 60, value_C: new Float64Array(366).fill(13), readOn: null },
    wind: { factor: 1, days: 0 },
    ...more,
  }) as unknown as Site;

describe('the first day out by the mean last frost', () => {
  const near = requireDay('2027-05-20');
  const out = (cover: CoverRecord | null, world = worldOf(), its = site()) => {
    const found = outFrom(its, world, tomato, cover, near);
    return [found.day === null ? null : isoFromDay(found.day), found.by];
  };
  it('the crop’s weeks after it, sooner under a cover by how fast the nights rise', () => {
    expect(out(null)).toEqual(['2027-05-26', 'frost date']);
    // A tenth of a degree a day: two degrees are twenty days.
    expect(out(fleece)).toEqual(['2027-05-06', 'frost date']);
    expect(out(fleece, worldOf(), site({ worths: new Map([[3, { worth_K: 1 }]]) }))).toEqual([
      '2027-05-16',
      'frost date',
    ]);
    expect(out(fleece, worldOf(), site({ worths: new Map([[3, { worth_K: -1 }]]) }))).toEqual([
      '2027-05-26',
      'frost date',
    ]);
    expect(out({ ...fleece, worth_K: 9 })[0]).toBe(isoFromDay(requireDay('2027-05-26') - 35));
  });
  it('by weeks a layer where the house counts so, or no usual nights are known', () => {
    const byWeeks = worldOf({ planting: { ...USUAL_PLANTING, layerSchool: 'weeks', layer_weeks: 1 } });
    expect(out({ ...fleece, layers: 2 }, byWeeks)).toEqual(['2027-05-12', 'frost date']);
    expect(out(fleece, worldOf(), site({ usual: null }))).toEqual(['2027-05-12', 'frost date']);
    expect(out(null, worldOf(), site({ usual: null }))).toEqual(['2027-05-26', 'frost date']);
  });
  it('nights that do not rise tell no days', () => {
    const flat = { ...usual, night_C: new Float64Array(366).fill(6) };
    expect(out(fleece, worldOf(), site({ usual: flat }))[0]).toBe('2027-05-26');
    expect(out(fleece, worldOf(), site({ usual: { ...usual, from: TODAY + 400 } }))[0]).toBe('2027-05-26');
  });
});

describe('the first day out by the site’s own years', () => {
  const its = site({ lows: lowsUntil(TEN) });
  const out = (cover: CoverRecord | null, near: string, world = worldOf(), risk?: number) =>
    outFrom(its, world, tomato, cover, requireDay(near), risk);
  it('goes by the risk taken, later for less of it', () => {
    const [careful, bold] = [
      out(null, '2027-05-20', worldOf(), 0.1).day!,
      out(null, '2027-05-20', worldOf(), 0.5).day!,
    ];
    expect(isoFromDay(bold) >= '2027-05-05' && isoFromDay(bold) <= '2027-05-08').toBe(true);
    expect(careful).toBeGreaterThan(bold);
    expect(out(null, '2027-05-20')).toEqual(out(null, '2027-05-20', worldOf(), 0.1));
    expect(out(null, '2027-05-20', worldOf({ frost: { risk_frac: 0.5 } })).day).toBe(bold);
    expect(out(null, '2027-05-20')).toMatchObject({ by: 'frost', fromStart: false });
  });
  it('is of the season of the day meant', () => {
    expect(isoFromDay(out(null, '2028-02-01', worldOf(), 0.5).day!).slice(0, 4)).toBe('2028');
    expect(isoFromDay(out(null, '2027-11-01', worldOf(), 0.5).day!).slice(0, 4)).toBe('2027');
  });
  it('weeks a layer take days off, never before the season begins; degrees lift the night', () => {
    const byWeeks = worldOf({ planting: { ...USUAL_PLANTING, layerSchool: 'weeks', layer_weeks: 1 } });
    const plain = out(null, '2027-05-20', byWeeks, 0.5).day!;
    expect(out({ ...fleece, layers: 2 }, '2027-05-20', byWeeks, 0.5)).toMatchObject({
      day: plain - 14,
      fromStart: false,
    });
    expect(out({ ...fleece, layers: 40 }, '2027-05-20', byWeeks, 0.5)).toMatchObject({
      day: requireDay('2027-01-01'),
      fromStart: true,
    });
    // Frosts of one degree: two degrees of fleece make every night safe.
    expect(out({ ...fleece, worth_K: 4 }, '2027-05-20').fromStart).toBe(true);
  });
  it('in the south the season begins in July', () => {
    const south = site({ latitude_deg: -35, lows: lowsUntil(TEN) });
    const { day } = outFrom(
      south,
      worldOf({ latitude_deg: -35 }),
      tomato,
      { ...fleece, worth_K: 20 },
      requireDay('2027-03-01'),
      0.5,
    );
    expect(isoFromDay(day!)).toBe('2026-07-01');
    const later = outFrom(
      south,
      worldOf({ latitude_deg: -35 }),
      tomato,
      { ...fleece, worth_K: 20 },
      requireDay('2027-08-01'),
      0.5,
    );
    expect(isoFromDay(later.day!)).toBe('2027-07-01');
  });
  it('with usual temperatures soil and nights decide as well', () => {
    const cool = worldOf({
      outside: Array.from({ length: 12 }, (_, m) => ({ day_C: m > 6 ? 20 : 10, night_C: m > 6 ? 12 : 4 })),
    });
    const found = outFrom(site({ lows: lowsUntil(TEN) }), cool, tomato, null, requireDay('2027-05-20'), 0.5);
    expect(['soil', 'nights']).toContain(found.by);
  });
});

describe('covers and nights of a site', () => {
  const season = (its = site()) => ({ world: worldOf(), site: its }) as unknown as Season;
  it('are safely worth what was measured, else what is written drawn to the safe side; none is nothing', () => {
    expect(safeCover_K(site(), season(), null)).toBe(0);
    expect(safeCover_K(site(), season(), undefined)).toBe(0);
    expect(safeCover_K(site({ worths: new Map([[3, { safe_K: 1.2 }]]) }), season(), 3)).toBe(1.2);
    expect(safeCover_K(site({ worths: new Map([[3, { safe_K: -1 }]]) }), season(), 3)).toBe(0);
    const written = safeCover_K(site(), season(), 3);
    expect(written).toBeGreaterThan(0);
    expect(written).toBeLessThanOrEqual(2);
  });
  it('as a mean by the night and on the soil, whichever is more', () => {
    expect(meanCover(site(), season(), 99)).toEqual({ warm_K: 0, soil_K: 0 });
    expect(meanCover(site(), season(), 3).warm_K).toBe(2);
    expect(meanCover(site({ worths: new Map([[3, { worth_K: 1.4 }]]) }), season(), 3).warm_K).toBe(1.4);
    expect(meanCover(site({ usual: null }), season(), 3).soil_K).toBe(1.5);
    expect(meanCover(site(), season(), 3).soil_K).toBeGreaterThanOrEqual(1.5);
  });
  it('nights in a row up to last night that are warm enough, thirty at the most', () => {
    const nights = (lows: readonly (number | null)[], warm_K = 0) =>
      nightsSoFar(
        site({ least: new Map(lows.flatMap((v, i) => (v === null ? [] : [[TODAY - i, { value: v, spread_K: 0 }]]))) }),
        tomato,
        warm_K,
      );
    expect(nights([8, 9, 7.9, 12])).toBe(2);
    expect(nights([7, 9, 9], 1)).toBe(3);
    expect(nights([9, null, 9])).toBe(1);
    expect(nights([])).toBe(0);
    expect(nights(Array.from({ length: 50 }, () => 10))).toBe(30);
  });
});

describe('what springs are drawn from', () => {
  const years = Array.from({ length: 6 * 365 }, (_, i) => ({ day: TODAY - 1 - i, least_C: 5, most_C: 15 }));
  it('years enough or usual weather, else nothing', () => {
    expect(springInput(site({ usual: null }))).toBeNull();
    expect(springInput(site({ usual: null, history: years.slice(0, 5 * 330) }))).not.toBeNull();
    expect(springInput(site({ usual: null, history: years.slice(0, 5 * 330 - 1) }))).toBeNull();
    expect(springsOf(site({ usual: null }))).toBeNull();
  });
  it('the forecast’s days first, with its error by lead; a low read today is known, one foretold is put right', () => {
    const told = {
      days: [0, 1].map((i) => ({ day: TODAY + i, lead: i, least_C: 4 + i, most_C: 14, night_C: 5, gust_m_s: 6 })),
    };
    const scores = scoresOf(Array.from({ length: 80 }, () => ({ lead: 1, forecast_C: 6, read_C: 4 })));
    const input = springInput(
      site({ forecast: told, scores, least: new Map([[TODAY, { value: 3.3, spread_K: 0 }]]) }),
    )!;
    expect(input.near).toHaveLength(10);
    expect(input.near[0]).toEqual({ least_C: 3.3, most_C: 14, gust_m_s: 6, spread_K: 0, bias_K: 0 });
    expect(input.near[1]).toMatchObject({ least_C: 5, bias_K: scores[1]!.bias_K, spread_K: scores[1]!.spread_K });
    expect(input.near[2]).toMatchObject({ least_C: null, most_C: null, gust_m_s: null, spread_K: scores[9]!.spread_K });
    expect(input).toMatchObject({ from: TODAY, days: SPRING_days, soil_C: 13, latitude_deg: 52 });
    expect(input.usual!.night_C[0]).toBeCloseTo(8, 9);
    const guessed = springInput(site({ forecast: told, least: new Map([[TODAY, { value: 3.3, spread_K: 1 }]]) }))!;
    expect(guessed.near[0]!.spread_K).toBeGreaterThan(1);
  });
  it('are drawn once while the site stands', () => {
    const its = site();
    expect(springsOf(its)).toBe(springsOf(its));
    expect(springsOf(its)).toMatchObject({ from: TODAY, days: SPRING_days });
  });
});

describe('the odds of a batch', () => {
  const plan = {
    transplantOn: TODAY + 30,
    hardening_days: 8,
    coverId: 3,
    places: { harden: null },
  } as unknown as BatchPlan;
  const view = (more: { plan?: object; state?: object; forecast?: object; ladder?: object | null } = {}): OddsView =>
    ({
      batch: { id: 9, cropId: 1, varietyId: null, plan: { ...plan, ...more.plan } },
      state: { ...UNSOWN, phase: 'growing', ...more.state },
      ladder: (more.ladder ?? null) as Ladder | null,
      progress: {
        forecast: more.forecast ?? { kind: 'chain', milestones: [{ key: 'harden', day: TODAY + 20 }] },
      },
    }) as unknown as OddsView;
  const tables = { climateOf: () => usual } as unknown as SeasonTables;
  const season = (its: Site | null = site()) =>
    ({ world: worldOf(), site: its, tables, crops: [tomato], varieties: [], batches: [] }) as unknown as Season;
  it('the task: from the day it hardens, under its cover, to the last day that is as good', () => {
    const task = oddsTask(season(), view())!;
    expect(task).toMatchObject({
      batchId: 9,
      at: { rung: 0, served: 0 },
      hardenFrom: TODAY + 20,
      nightMin_C: 8,
      warm_K: 2,
      transplantOn: TODAY + 30,
      lastGoodOn: TODAY + 37,
      warmSoFar: 30,
      nightsSoFar: 0,
    });
    expect(task.soilMin_C).toBeLessThanOrEqual(10.5);
    expect(oddsTask(season(), view({ plan: { after_days: 3 } }))!.lastGoodOn).toBe(TODAY + 33);
    expect(oddsTask(season(), view({ plan: { gates: { soil: 'off' } } }))!.modes.soil).toBe('off');
    const late = view({ forecast: { kind: 'chain', milestones: [{ key: 'harden', day: TODAY - 5 }] } });
    expect(oddsTask(season(), late)!.hardenFrom).toBe(TODAY);
  });
  it('hardening it goes on from where its ladder stands, set back where it is, rested and let go first', () => {
    const hardening = (more: object) =>
      oddsTask(
        season(),
        view({
          state: { phase: 'hardening' },
          ladder: { at: { rung: 3, served: 1 }, setBackTo: null, restsUntil: -Infinity, heldUntil: -Infinity, ...more },
        }),
      )!;
    expect(hardening({})).toMatchObject({ at: { rung: 3, served: 1 }, hardenFrom: TODAY });
    expect(hardening({ setBackTo: 2 }).at).toEqual({ rung: 2, served: 0 });
    expect(hardening({ restsUntil: TODAY + 2 }).hardenFrom).toBe(TODAY + 2);
    expect(hardening({ heldUntil: TODAY + 4, restsUntil: TODAY + 2 }).hardenFrom).toBe(TODAY + 4);
    expect(oddsTask(season(), view({ state: { phase: 'hardening' } }))).toMatchObject({
      at: { rung: 0 },
      hardenFrom: TODAY,
    });
  });
  it('warm soil counts from today back', () => {
    const soil = new Float64Array(366).fill(13);
    soil[58] = 4;
    expect(oddsTask(season(site({ soil: { from: TODAY - 60, value_C: soil } })), view())!.warmSoFar).toBe(2);
    expect(oddsTask(season(site({ soil: null })), view())!.warmSoFar).toBe(0);
  });
  it('none of what is out, cannot be reached, is too far ahead, or has nothing to go by', () => {
    expect(oddsTask(season(), view({ state: { phase: 'planted' } }))).toBeNull();
    expect(oddsTask(season(), view({ forecast: { kind: 'unreachable' } }))).toBeNull();
    expect(oddsTask(season(null), view())).toBeNull();
    expect(oddsNow(season(null), view())).toBeNull();
    expect(oddsNow(season(site({ usual: null })), view())).toBeNull();
    expect(oddsNow(season(), view({ plan: { transplantOn: TODAY + ODDS_AHEAD_days } }))).not.toBeNull();
    expect(oddsNow(season(), view({ plan: { transplantOn: TODAY + ODDS_AHEAD_days + 1 } }))).toBeNull();
  });
  it('a date is unlikely below the house’s line', () => {
    const line = USUAL_PLANTING.unlikely_frac;
    const at = (inTime_frac: number | null) =>
      isUnlikely(season(), { odds: inTime_frac === null ? null : { inTime_frac } } as unknown as BatchView);
    expect([at(line), at(line - 0.01), at(null)]).toEqual([false, true, false]);
  });
});
