import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { requireDay } from '../calendar/dayNumber.ts';
import type { ForecastHour } from '../weather/forecast.ts';
import type { Hardiness } from '../books/crop.ts';
import { asGoodAsNever, NEVER_frac, rungOdds } from './feasible.ts';
import { usualHardeningDay, usualHardeningPlace } from './feasibleOf.ts';
import {
  after,
  decideDay,
  ladderAhead,
  ladderNow,
  limitOn,
  lowOn,
  shelterOf,
  windowLow_C,
  type LadderDay,
  type LadderRules,
} from './ladder.ts';
import { carrying_min, orderOf } from './orders.ts';
import {
  leastDays,
  newStresses,
  PROGRAMMES,
  requireRung,
  rungsFor,
  singleStresses,
  usualProgramme,
  type Rung,
} from './programme.ts';
import { ladderWalk } from './walk.ts';
import { decisionWords, limitWords } from './words.ts';

const today = requireDay('2027-05-03');
const HARDINESS: readonly Hardiness[] = ['hardy', 'half-hardy', 'tender', 'tropical'];
const hoursProgramme = PROGRAMMES.find((p) => p.kind === 'hours')!;
const rules = (hardiness: Hardiness = 'tender', shut_K = 2, caution = 0.5, programme = hoursProgramme): LadderRules => {
  const rungs = rungsFor(programme, hardiness);
  return { rungs, shelter_K: rungs.map((r) => shelterOf(r, shut_K)), caution };
};
const fine = (day: number, more: Partial<LadderDay> = {}): LadderDay => ({
  day,
  most_C: 19,
  night_C: 10,
  morning_C: 10,
  gust_m_s: 5,
  spread_K: 1,
  ...more,
});
const days = (n: number, more: (i: number) => Partial<LadderDay> = () => ({})) =>
  Array.from({ length: n }, (_, i) => fine(today + i, more(i)));

describe('programmes', () => {
  it('five to start from, each step within bounds', () => {
    expect(PROGRAMMES.map((p) => p.kind)).toEqual(['hours', 'lid', 'rooms', 'shade', 'cool-house']);
    for (const p of PROGRAMMES) p.rungs.forEach(requireRung);
    expect(() => requireRung({ ...hoursProgramme.rungs[0]!, hours_h: 0 })).toThrow(/hours out/);
  });
  it('no day of any of them brings two new stresses, for plants of any hardiness', () => {
    for (const p of PROGRAMMES)
      for (const h of HARDINESS) {
        const rungs = rungsFor(p, h);
        rungs.forEach((r, i) => expect(newStresses(rungs[i - 1] ?? null, r).length).toBeLessThanOrEqual(1));
      }
  });
  it('a step that raises sun, wind and cold at once is taken in three steps, cold last', () => {
    const soft: Rung = {
      words: 'in',
      placeId: null,
      hours_h: 4,
      sun_frac: 0.3,
      lid_frac: null,
      floor_C: 12,
      gust_m_s: 6,
      cover: 'none',
      days: 2,
    };
    const hard: Rung = { ...soft, words: 'out', hours_h: 24, sun_frac: 1, floor_C: 4, gust_m_s: 14 };
    const steps = singleStresses([soft, hard]);
    expect(steps).toHaveLength(4);
    expect(steps.slice(1).map((s, i) => newStresses(steps[i]!, s)[0])).toEqual(['sun', 'wind', 'cold']);
    expect(steps.at(-1)).toEqual(hard);
  });
  it('any steps at all can be taken apart', () => {
    const rung = fc.record({
      words: fc.constant('x'),
      placeId: fc.constant(null),
      hours_h: fc.integer({ min: 1, max: 24 }),
      sun_frac: fc.integer({ min: 0, max: 10 }).map((n) => n / 10),
      lid_frac: fc.option(
        fc.integer({ min: 0, max: 10 }).map((n) => n / 10),
        { nil: null },
      ),
      floor_C: fc.integer({ min: -5, max: 15 }),
      gust_m_s: fc.integer({ min: 4, max: 20 }),
      cover: fc.constantFrom('none' as const, 'fleece' as const, 'film' as const),
      days: fc.integer({ min: 1, max: 5 }),
    });
    fc.assert(
      fc.property(fc.array(rung, { minLength: 1, maxLength: 8 }), (rungs) => {
        const single = singleStresses(rungs);
        single.forEach((r, i) => expect(newStresses(single[i - 1] ?? null, r).length).toBeLessThanOrEqual(1));
        for (const r of rungs) expect(single).toContainEqual(r);
      }),
      { seed: 11, numRuns: 200 },
    );
  });
  it('the usual one fits the days there are, else the shortest of its kinds', () => {
    const all = PROGRAMMES.map((p, id) => ({ ...p, id }));
    expect(usualProgramme(all, 'hardy', 30)!.kind).toBe('cool-house');
    expect(usualProgramme(all, 'hardy', 14)!.kind).toBe('lid');
    expect(usualProgramme(all, 'hardy', 7)!.kind).toBe('hours');
    expect(usualProgramme(all, 'tropical', 3)!.kind).toBe('hours');
    expect(usualProgramme([], 'hardy', 7)).toBeNull();
    // A week for soft crops: common practice, no source.
    expect(leastDays(rungsFor(hoursProgramme, 'tender'))).toBeGreaterThanOrEqual(7);
    expect(leastDays(rungsFor(hoursProgramme, 'tender'))).toBeLessThanOrEqual(10);
  });
});

describe('the decision of a day', () => {
  it('in fine weather climbs a step a day and ends hardened', () => {
    const r = rules();
    const all = ladderAhead(r, { rung: 0, served: 0 }, days(12), -Infinity, -Infinity);
    expect(all.slice(0, 3).map((d) => [d.say, d.rung, d.climbs])).toEqual([
      ['go', 1, true],
      ['go', 2, true],
      ['go', 3, true],
    ]);
    expect(all.findIndex((d) => d.done)).toBe(leastDays(r.rungs));
  });
  it('a frosty night holds the night out, with the figure; the day before may climb', () => {
    const r = rules();
    const night = r.rungs.findIndex((x) => x.hours_h === 24) + 1;
    const at = { rung: night - 1, served: r.rungs[night - 2]!.days };
    const held = decideDay(r, at, fine(today, { night_C: 1 }));
    expect(held).toMatchObject({ say: 'hold', rung: night - 1, limit: { stress: 'cold', rung: night } });
    expect(held.limit!.figure).toBeLessThan(held.limit!.limit!);
    expect(decideDay(r, at, fine(today, { night_C: 9 }))).toMatchObject({ say: 'go', rung: night, climbs: true });
  });
  it('a gale keeps all in; what has been served is not lost', () => {
    const r = rules();
    const at = { rung: 4, served: 1 };
    const back = decideDay(r, at, fine(today, { gust_m_s: 24 }));
    expect(back).toMatchObject({ say: 'back', rung: 0, limit: { stress: 'wind', figure: 24 } });
    expect(after(at, back)).toEqual(at);
  });
  it('a cold night sends a batch that stands out back to what the day allows', () => {
    const r = rules();
    const last = r.rungs.length;
    const back = decideDay(r, { rung: last, served: 0 }, fine(today, { night_C: 2 }));
    expect(back.say).toBe('back');
    expect(back.rung).toBeLessThan(last);
    expect(limitOn(r, back.rung, fine(today, { night_C: 2 }))).toBeNull();
  });
  it('rest after potting and a hold by hand hold, but never keep plants out in what harms them', () => {
    const r = rules();
    const at = { rung: 2, served: 1 };
    expect(decideDay(r, at, fine(today), true).limit!.stress).toBe('rest');
    expect(decideDay(r, at, fine(today), false, true).limit!.stress).toBe('hand');
    expect(decideDay(r, at, fine(today, { gust_m_s: 30 }), true).say).toBe('back');
  });
  it('does not know without a forecast, and says so', () => {
    const r = rules();
    const blind = fine(today, { most_C: null, night_C: null, morning_C: null });
    expect(decideDay(r, { rung: 3, served: 1 }, blind)).toMatchObject({ say: 'hold', limit: { stress: 'unknown' } });
  });
  it('holds while no gust is told, and says to look at the wind; it sets nothing back', () => {
    const decision = decideDay(rules(), { rung: 2, served: 1 }, fine(today, { gust_m_s: null }));
    expect(decision).toMatchObject({ say: 'hold', rung: 2, limit: { stress: 'calm?' } });
    expect(limitWords(decision.limit!, rules().rungs, 'C')).toMatch(/no gusts told.*look at the wind yourself/);
  });
  it('keeps plants out of full sun on a day of 41 degrees', () => {
    // Rung 5 of the hours stands in full sun: 33 degrees at the most, common practice, no source.
    const decision = decideDay(
      rules(),
      { rung: 5, served: 1 },
      fine(today, { most_C: 41, night_C: 20, morning_C: 20 }),
    );
    expect(decision).toMatchObject({ say: 'back', limit: { stress: 'heat', figure: 41 } });
    expect(decision.rung).toBe(0);
    const shade = decideDay(rules(), { rung: 0, served: 0 }, fine(today, { most_C: 35, night_C: 18, morning_C: 18 }));
    expect(shade.say).toBe('go');
  });
  it('a step of new sun waits when the day itself comes near its wind', () => {
    const r = rules();
    const sunny = r.rungs.findIndex((x, i) => newStresses(r.rungs[i - 1] ?? null, x)[0] === 'sun') + 1;
    const at = { rung: sunny - 1, served: 9 };
    const gusty = fine(today, { gust_m_s: 0.95 * r.rungs[sunny - 1]!.gust_m_s });
    expect(decideDay(r, at, gusty)).toMatchObject({ say: 'hold', limit: { stress: 'two', raises: 'sun' } });
  });
  it('caution asks more of a forecast that may be off, and none of a reading', () => {
    const [bold, careful] = [rules('tender', 2, 0), rules('tender', 2, 1)];
    const day = fine(today, { spread_K: 3 });
    const last = bold.rungs.length;
    expect(lowOn(bold, last, day)! - lowOn(careful, last, day)!).toBeCloseTo(3);
    expect(lowOn(careful, last, { ...day, spread_K: 0 })).toBe(lowOn(bold, last, day));
  });
  it('over any weather: never two new stresses in a day, never out in what its step does not bear', () => {
    const day = fc.record({
      most: fc.integer({ min: 0, max: 25 }),
      night: fc.integer({ min: -6, max: 14 }),
      gust: fc.integer({ min: 1, max: 26 }),
    });
    fc.assert(
      fc.property(
        fc.array(day, { minLength: 5, maxLength: 40 }),
        fc.constantFrom(...HARDINESS),
        fc.integer({ min: 0, max: 4 }),
        (list, hardiness, p) => {
          const r = rules(hardiness, 2, 0.5, PROGRAMMES[p]!);
          const weather = list.map((d, i) => ({
            day: today + i,
            most_C: Math.max(d.most, d.night),
            night_C: d.night,
            morning_C: d.night,
            gust_m_s: d.gust,
            spread_K: 1,
          }));
          let at = { rung: 0, served: 0 };
          for (const w of weather) {
            const d = decideDay(r, at, w);
            if (d.climbs) {
              expect(d.rung).toBe(at.rung + 1);
              expect(newStresses(r.rungs[d.rung - 2] ?? null, r.rungs[d.rung - 1]!).length).toBeLessThanOrEqual(1);
            }
            if (d.say !== 'hold' && d.rung > 0) expect(limitOn(r, d.rung, w)).toBeNull();
            if (d.say !== 'go') expect(d.limit).not.toBeNull();
            at = after(at, d);
          }
        },
      ),
      { seed: 5, numRuns: 300 },
    );
  });
});

describe('the walk through known weather', () => {
  it('comes to the same day as deciding day by day, for any weather, programme and beginning', () => {
    const day = fc.record({
      least: fc.integer({ min: -8, max: 15 }),
      more: fc.integer({ min: 1, max: 16 }),
      gust: fc.integer({ min: 1, max: 24 }),
    });
    let hardened = 0;
    fc.assert(
      fc.property(
        fc.array(day, { minLength: 12, maxLength: 70 }),
        fc.constantFrom(...HARDINESS),
        fc.integer({ min: 0, max: 4 }),
        fc.integer({ min: 0, max: 5 }),
        fc.integer({ min: 0, max: 3 }),
        (list, hardiness, p, rung, served) => {
          const r = rules(hardiness, 3, 0.5, PROGRAMMES[p]!);
          const least_C = Float32Array.from(list, (d) => d.least);
          const most_C = Float32Array.from(list, (d) => d.least + d.more);
          const gust_m_s = Float32Array.from(list, (d) => d.gust);
          const start = { rung: Math.min(rung, r.rungs.length), served };
          let [at, slow] = [start, -1];
          for (let i = 2; i < list.length - 1 && slow < 0; i++) {
            const weather = {
              day: i,
              most_C: most_C[i]!,
              morning_C: least_C[i]!,
              night_C: least_C[i + 1]!,
              gust_m_s: gust_m_s[i]!,
              spread_K: 0,
            };
            const decision = decideDay(r, at, weather);
            if (decision.done) slow = i;
            at = after(at, decision);
          }
          if (slow >= 0) hardened++;
          expect(ladderWalk(r)(start, { least_C, most_C, gust_m_s, row: 0, days: list.length }, 2)).toBe(slow);
        },
      ),
      { seed: 17, numRuns: 600 },
    );
    // The weather tried lets some through, and not all.
    expect(hardened).toBeGreaterThan(30);
    expect(hardened).toBeLessThan(570);
  });
});

describe('where a batch stands by its log and the weather since', () => {
  const r = rules();
  const night = r.rungs.length;
  it('days held or not borne do not count; days nothing is known of do', () => {
    const known = new Map([[today - 2, fine(today - 2, { gust_m_s: 30, spread_K: 1 })]]);
    const now = ladderNow(r, { rung: 3, since: today - 4, held: [today - 3] }, known, today);
    expect(now).toEqual({ at: { rung: 3, served: 2 }, harmed: null, harmedOn: null });
    expect(ladderNow(r, { rung: 0, since: null, held: [] }, known, today).at.rung).toBe(0);
  });
  it('days kept in soften: a step for each five in a row, and its days are served anew', () => {
    const held = (n: number) => Array.from({ length: n }, (_, i) => today - n + i);
    const at = (n: number) => ladderNow(rules(), { rung: 5, since: today - 20, held: held(n) }, new Map(), today).at;
    expect(at(4).rung).toBe(5);
    expect(at(5)).toEqual({ rung: 4, served: 0 });
    expect(at(12)).toEqual({ rung: 3, served: 0 });
    expect(at(60).rung).toBe(1);
  });
  it('a frost that was read sets back; one that was only foretold does not', () => {
    const frost = fine(today - 1, { night_C: -2, spread_K: 0 });
    const hit = ladderNow(r, { rung: night, since: today - 3, held: [] }, new Map([[today - 1, frost]]), today);
    expect(hit).toMatchObject({ harmedOn: today - 1, harmed: { stress: 'cold' } });
    const foretold = new Map([[today - 1, { ...frost, spread_K: 1.2 }]]);
    expect(ladderNow(r, { rung: night, since: today - 3, held: [] }, foretold, today).harmed).toBeNull();
    // Kept in that day: nothing happened to them.
    const kept = ladderNow(
      r,
      { rung: night, since: today - 3, held: [today - 1] },
      new Map([[today - 1, frost]]),
      today,
    );
    expect(kept.harmed).toBeNull();
  });
});

describe('orders of a day', () => {
  const home = { from_h: 7, to_h: 19 };
  const hours = (temp: (h: number) => number, gust = 4): ForecastHour[] =>
    Array.from({ length: 24 }, (_, h) => ({
      day: today,
      hour: h,
      temp_C: temp(h),
      wind_m_s: gust / 1.6,
      gust_m_s: gust,
      rain_mm: 0,
      cloud_frac: 0.5,
    }));
  const curve = (h: number) => 6 + 12 * Math.max(0, Math.sin((Math.PI * (h - 6)) / 16));
  const [first] = rules().rungs;
  it('an hour in shade goes out in the mild of the day, clear of the strongest sun', () => {
    const order = orderOf(first!, hours(curve), home, 20);
    expect(order).toMatchObject({ short: null, cover_h: null });
    expect(order.in_h! - order.out_h!).toBe(1);
    expect(order.out_h! < 11 || order.out_h! >= 15).toBe(true);
    expect(order.least_C!).toBeGreaterThanOrEqual(first!.floor_C);
  });
  it('keeps within the hours somebody is there, and says when they are too few', () => {
    const whole = { ...first!, hours_h: 11, sun_frac: 1 };
    const order = orderOf(
      whole,
      hours(() => 15),
      { from_h: 9, to_h: 16 },
      20,
    );
    expect(order).toMatchObject({ out_h: 9, in_h: 16, short: 'home' });
  });
  it('says cold or wind when no hour will do', () => {
    expect(
      orderOf(
        first!,
        hours(() => 4),
        home,
        20,
      ),
    ).toMatchObject({ out_h: null, short: 'cold' });
    expect(
      orderOf(
        first!,
        hours(() => 15, 25),
        home,
        20,
      ),
    ).toMatchObject({ out_h: null, short: 'wind' });
  });
  it('day and night: fleece goes on before dark, while somebody is there', () => {
    const night = { ...first!, hours_h: 24, cover: 'fleece' as const };
    expect(orderOf(night, hours(curve), home, 20.4)).toMatchObject({ in_h: null, cover_h: 19 });
    expect(orderOf(night, hours(curve), home, 16.2)).toMatchObject({ cover_h: 15 });
  });
  it('trays are carried by whole trips', () => {
    expect(carrying_min(5, { trays_per_trip: 2, trip_min: 1.5 })).toBe(4.5);
    expect(carrying_min(0, { trays_per_trip: 2, trip_min: 1.5 })).toBe(0);
  });
});

describe('steps the site can never do', () => {
  it('are found before starting, by the days it has had', () => {
    const r = rules('tropical');
    const cold = days(300, (i) => ({ most_C: 12 + (i % 4), night_C: 3, morning_C: 3, gust_m_s: null }));
    const odds = rungOdds(r, cold);
    expect(odds.at(-1)!.can_frac).toBeLessThan(NEVER_frac);
    expect(rungOdds(r, days(50)).every((o) => o.can_frac >= 0 && o.can_frac <= 1)).toBe(true);
    expect(rungOdds(r, [])[0]).toEqual({ rung: 1, days: 0, can_frac: 0 });
  });
  it('are not told from two months of days, or where one day in twenty would do', () => {
    expect(asGoodAsNever({ rung: 1, days: 60, can_frac: 0.049 })).toBe(true);
    expect(asGoodAsNever({ rung: 1, days: 59, can_frac: 0 })).toBe(false);
    expect(asGoodAsNever({ rung: 1, days: 60, can_frac: NEVER_frac })).toBe(false);
  });
  it('are looked for about the last frost, five weeks before it for hardy plants, in a frame before open ground', () => {
    expect(usualHardeningDay('hardy', 20_000)).toBe(19_965);
    expect(usualHardeningDay('half-hardy', 20_000)).toBe(20_000);
    const [house, ground, frame] = [{ kind: 'house' }, { kind: 'ground' }, { kind: 'frame' }] as const;
    expect(usualHardeningPlace([house, ground, frame] as never[])).toBe(frame);
    expect(usualHardeningPlace([house, ground] as never[])).toBe(ground);
    expect(usualHardeningPlace([house] as never[])).toBeNull();
  });
});

describe('words', () => {
  it('name the figure that decided, in the house’s scale', () => {
    const r = rules();
    const limit = { stress: 'cold' as const, rung: 6, figure: 1.2, limit: 5 };
    expect(limitWords(limit, r.rungs, 'C')).toBe('1°C where step 6 wants 5°C or more');
    expect(limitWords({ ...limit, figure: -3 }, r.rungs, 'C')).toMatch(/^−3°/);
    expect(limitWords(limit, r.rungs, 'F')).toMatch(/41°F or more/);
    // Never "5° where 5° are wanted".
    expect(limitWords({ ...limit, figure: 4.9 }, r.rungs, 'C')).toBe('4.9°C where step 6 wants 5.0°C or more');
    expect(limitWords({ stress: 'wind', rung: 3, figure: 15, limit: 11 }, r.rungs, 'C')).toBe(
      'gusts of 54 km/h, step 3 bears 40 km/h',
    );
    const in_ = decideDay(r, { rung: 3, served: 0 }, fine(today, { gust_m_s: 30 }));
    expect(decisionWords(in_, r.rungs, 'C')).toMatch(/^keep them in: gusts of 108 km\/h/);
  });
  it('the middle of a day of hours out is warmer than its morning', () => {
    expect(windowLow_C(18, 4, 1)).toBeGreaterThan(windowLow_C(18, 4, 11));
    expect(windowLow_C(18, 4, 13)).toBeCloseTo(4);
  });
});
