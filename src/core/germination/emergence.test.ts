import { describe, expect, it } from 'vitest';
import { madeUpTray } from '../../../tests/support/madeUpTray.ts';
import { seededRandom } from '../numerics/random.ts';
import {
  afterLooks,
  beliefOf,
  chanceOfAtLeast,
  countChances,
  meanOfChances,
  meansOf,
  PLAIN_PRIOR,
  quantileOfChances,
  type Prior,
} from './belief.ts';
import { cardinalFit } from './cardinalFit.ts';
import { hillAt, hillFit } from './hillFit.ts';
import { countFault, indices } from './indices.ts';
import { learn, trayEstimate } from './learning.ts';
import { verdictOf, type EmergenceInput } from './verdict.ts';
import { probitDays, seedAge, viabilityConstants, viableAfter } from './viability.ts';

const prior: Prior = { ...PLAIN_PRIOR, logTime: 0, most_frac: 0.85 };

describe('counts that cannot be', () => {
  it.each([
    [
      [
        { day: 3, up: 5 },
        { day: 4, up: 4 },
      ],
      'counts do not fall',
    ],
    [
      [
        { day: 4, up: 5 },
        { day: 3, up: 6 },
      ],
      'in order',
    ],
    [
      [
        { day: 4, up: 5 },
        { day: 4, up: 6 },
      ],
      'in order',
    ],
    [[{ day: 4, up: 51 }], '51 up of 50 sown'],
    [[{ day: 4, up: 1.5 }], 'not a whole number'],
    [[{ day: -1, up: 1 }], 'before sowing'],
  ])('%j: %s', (counts, reason) => {
    expect(countFault(counts, 50)?.reason).toContain(reason);
    expect(() => indices(counts, 50)).toThrow(RangeError);
  });
});

describe('measures of a series', () => {
  // By hand: 10 sown; 2 on day 3, 4 more on day 4, 2 more on day 6.
  const counts = [
    { day: 2, up: 0 },
    { day: 3, up: 2 },
    { day: 4, up: 6 },
    { day: 6, up: 8 },
  ];

  it('as worked out by hand', () => {
    const m = indices(counts, 10);
    expect(m.final_frac).toBe(0.8);
    expect(m.first_days).toBe(3);
    // (8 + 1) / 2 = 4.5: between 2 on day 3 and 6 on day 4, 3 + 2.5 / 4.
    expect(m.t50Coolbear_days).toBeCloseTo(3.625, 12);
    // 8 / 2 = 4: 3 + 2 / 4.
    expect(m.t50Farooq_days).toBeCloseTo(3.5, 12);
    // 7.2: between 6 on day 4 and 8 on day 6, 4 + 1.2 / 2 x 2.
    expect(m.t90_days).toBeCloseTo(5.2, 12);
    expect(m.meanTime_days).toBeCloseTo((2 * 3 + 4 * 4 + 2 * 6) / 8, 12);
    expect(m.speedIndex_perDay).toBeCloseTo(2 / 3 + 4 / 4 + 2 / 6, 12);
    expect(m.timson_percentDays).toBeCloseTo(0 + 20 + 60 + 80, 12);
    // Pairs on the same day: 1 + 6 + 1 of 28.
    expect(m.synchrony).toBeCloseTo(8 / 28, 12);
    // Shares 1/4, 1/2, 1/4: 1.5 bits.
    expect(m.uncertainty_bits).toBeCloseTo(1.5, 12);
  });

  it('0 of 0, nothing up, one look, and all up on day one', () => {
    expect(indices([], 0)).toMatchObject({ final_frac: null, wilson90: null, t50Farooq_days: null });
    expect(indices([{ day: 5, up: 0 }], 20)).toMatchObject({ final_frac: 0, first_days: null, meanTime_days: null });
    expect(indices([{ day: 1, up: 20 }], 20)).toMatchObject({
      t50Farooq_days: 1,
      synchrony: 1,
      uncertainty_bits: 0,
      speedIndex_perDay: 20,
    });
    expect(hillFit([{ day: 1, up: 20 }], 20)).toMatchObject({ kind: 'too few' });
    expect(indices([{ day: 0, up: 3 }], 20).speedIndex_perDay).toBeNull();
  });
});

describe('the fitted curve', () => {
  it('finds the truth of 500 made-up series: half time within a third of a day in nine of ten', () => {
    const random = seededRandom(11);
    const misses: number[] = [];
    for (let run = 0; run < 500; run++) {
      const [b, c, a] = [6 + 10 * random(), 4 + 8 * random(), 60 + 38 * random()];
      const counts: { day: number; up: number }[] = [];
      const times = Array.from({ length: 100 }, () => {
        const u = random() * 100;
        return u >= a ? Infinity : c * (u / (a - u)) ** (1 / b);
      });
      for (let day = 1; day <= 25; day++) counts.push({ day, up: times.filter((t) => t <= day).length });
      const outcome = hillFit(counts, 100);
      if (outcome.kind !== 'fitted') misses.push(99);
      else {
        misses.push(Math.abs(outcome.fit.c_days - c));
        expect(Math.abs(hillAt(outcome.fit, 25) - counts.at(-1)!.up)).toBeLessThan(4);
      }
    }
    misses.sort((x, y) => x - y);
    expect(misses[449]).toBeLessThan(0.34);
    expect(misses[499]).toBeLessThan(1);
  });

  it('says so when no such curve runs near the counts, and when there is only one rise', () => {
    const steps = [
      { day: 1, up: 30 },
      { day: 5, up: 30 },
      { day: 10, up: 31 },
      { day: 15, up: 70 },
      { day: 20, up: 100 },
    ];
    expect(hillFit(steps, 100).kind).toBe('not converged');
    expect(
      hillFit(
        [
          { day: 1, up: 0 },
          { day: 2, up: 0 },
          { day: 3, up: 0 },
          { day: 4, up: 9 },
        ],
        10,
      ),
    ).toMatchObject({ kind: 'too few' });
  });
});

describe('what is thought of a tray', () => {
  it('the band that should hold nine in ten does: 500 made-up trays, with and without looks before', () => {
    const random = seededRandom(2027);
    let plain = 0;
    let after = 0;
    for (let run = 0; run < 500; run++) {
      const tray = madeUpTray(random, prior, 60, [0.8, 0.95, 1.15, 1.6]);
      const belief = beliefOf(prior);
      const now = countChances(belief, 1.15, 60);
      if (holds(now, tray.looks[2]!.up)) plain++;
      const seen = tray.looks.slice(0, 2);
      const later = countChances(afterLooks(belief, seen, 60), 1.6, 60, seen[1]);
      if (holds(later, tray.looks[3]!.up)) after++;
    }
    expect(plain / 500).toBeGreaterThan(0.85);
    expect(plain / 500).toBeLessThan(0.96);
    expect(after / 500).toBeGreaterThan(0.85);
    expect(after / 500).toBeLessThan(0.96);
  });

  it('chances add up to one and agree with adding up seed by seed', () => {
    const belief = beliefOf(prior);
    const chances = countChances(belief, 1.1, 40);
    expect(chances.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 6);
    const random = seededRandom(5);
    let total = 0;
    for (let i = 0; i < 4000; i++) total += madeUpTray(random, prior, 40, [1.1]).looks[0]!.up;
    expect(meanOfChances(chances)).toBeCloseTo(total / 4000, 0);
    expect(chanceOfAtLeast(chances, 0)).toBeCloseTo(1, 6);
  });

  it('nothing up, long after it should have been: dead, more so the longer', () => {
    const deads = [0.5, 1.2, 1.6, 2.2].map(
      (progress) => afterLooks(beliefOf(prior), [{ progress, up: 0 }], 60).dead_frac,
    );
    expect(deads[0]).toBeCloseTo(0.02, 2);
    expect(deads[3]).toBeGreaterThan(0.9);
    for (let i = 1; i < deads.length; i++) expect(deads[i]).toBeGreaterThan(deads[i - 1]!);
    expect(afterLooks(beliefOf(prior), [{ progress: 1.2, up: 1 }], 60).dead_frac).toBe(0);
  });

  it('refuses looks that fall and priors out of bounds', () => {
    expect(() =>
      afterLooks(
        beliefOf(prior),
        [
          { progress: 1, up: 5 },
          { progress: 1.2, up: 4 },
        ],
        60,
      ),
    ).toThrow('must not fall');
    expect(() => beliefOf({ ...prior, sigma: 0 })).toThrow(RangeError);
    expect(() => beliefOf({ ...prior, logTime_sd: NaN })).toThrow(RangeError);
  });
});

const holds = (chances: Float64Array, up: number): boolean =>
  up >= quantileOfChances(chances, 0.05) && up <= quantileOfChances(chances, 0.95);

describe('the verdict', () => {
  const input = (looks: EmergenceInput['looks'], today: number): EmergenceInput => ({
    prior,
    sown: 60,
    sownOn: 100,
    looks,
    today,
    progressOn: (day) => (day - 100) / 8,
    needed: 40,
    sowAgainBy: 112,
  });
  const look = (day: number, up: number) => ({ day, up, progress: (day - 100) / 8 });

  it.each([
    ['too soon', [], 104],
    ['too soon', [look(104, 0)], 104],
    ['on time', [look(107, 12), look(108, 25)], 108],
    ['early', [look(105, 30)], 105],
    ['late', [look(110, 2)], 110],
    ['likely dead', [look(112, 0), look(116, 0)], 116],
    ['few', [look(108, 8), look(110, 12), look(118, 14)], 118],
    ['enough up', [look(109, 45)], 109],
  ] as const)('%s', (kind, looks, today) => {
    const verdict = verdictOf(input(looks, today));
    expect(verdict.kind).toBe(kind);
    expect(verdict.sowAgainBy).toBe(['late', 'few', 'likely dead'].includes(kind) ? 112 : null);
    const { low, mean, high } = verdict.expectedEnd;
    expect(low).toBeLessThanOrEqual(mean + 0.5);
    expect(high).toBeGreaterThanOrEqual(mean - 0.5);
  });

  it('expects first, half and nine tenths in order, half on the library’s day when nothing was seen', () => {
    const verdict = verdictOf(input([], 103));
    expect(verdict.halfOn).toBe(108);
    expect(verdict.firstOn!).toBeLessThan(108);
    expect(verdict.nearlyAllOn!).toBeGreaterThan(108);
    expect(verdict.enough_frac).toBeGreaterThan(0.9);
  });
});

describe('learning', () => {
  const target = { lotId: 7, varietyId: 3 };

  it('without a tray it is the library; with trays it moves towards them and is surer', () => {
    const none = learn(target, [], 0.9);
    expect(none.time_factor).toBe(1);
    expect(none.prior.most_frac).toBeCloseTo(0.9, 9);
    const tray = { ...target, logTime: 0.3, logTime_sd: 0.03, sigma: 0.15, sigma_logSd: 0.1, up: 55, sown: 60 };
    const after = [1, 3, 10].map((n) =>
      learn(
        target,
        Array.from({ length: n }, () => tray),
        0.9,
      ),
    );
    const moved = after.map((l) => l.prior.logTime);
    expect(moved[0]!).toBeGreaterThan(0.2);
    expect(moved).toEqual([...moved].sort((a, b) => a - b));
    expect(moved[2]!).toBeLessThan(0.3);
    expect(after[2]!.prior.logTime_sd).toBeLessThan(after[0]!.prior.logTime_sd);
    expect(after[2]!.prior.sigma).toBeLessThan(0.2);
    expect(after[2]).toMatchObject({ trays_count: 10, lotTrays_count: 10, varietyTrays_count: 10 });
  });

  it('one tray is the mixture of two normal answers by hand: as it should be, or wrong', () => {
    // Prior variance 0.25² + 0.1² + 0.1², error 0.08² + 0.06², and 0.7² more in the fifteen of a hundred that are wrong.
    const before = 0.25 ** 2 + 0.1 ** 2 + 0.1 ** 2;
    const error = 0.08 ** 2 + 0.06 ** 2;
    const pdf = (v: number) => Math.exp(-(0.2 ** 2) / (2 * v)) / Math.sqrt(v);
    const [right, wrong] = [0.85 * pdf(before + error), 0.15 * pdf(before + error + 0.49)];
    const share = wrong / (right + wrong);
    const parts = [error, error + 0.49].map((v) => ({
      mean: (0.2 * before) / (before + v),
      variance: (before * v) / (before + v),
    }));
    const mean = (1 - share) * parts[0]!.mean + share * parts[1]!.mean;
    const square =
      (1 - share) * (parts[0]!.variance + parts[0]!.mean ** 2) + share * (parts[1]!.variance + parts[1]!.mean ** 2);
    const tray = { ...target, logTime: 0.2, logTime_sd: 0.06, sigma: null, sigma_logSd: null, up: 40, sown: 50 };
    const { prior: p } = learn(target, [tray], 0.8);
    expect(p.logTime).toBeCloseTo(mean, 5);
    // Tray to come: what is left, and the tray's own.
    expect(p.logTime_sd ** 2).toBeCloseTo(square - mean ** 2 + 0.08 ** 2, 5);
    const weight = 0.6 * (45 / 95) * (1 - share);
    expect(p.most_frac).toBeCloseTo((0.8 * 55 + weight * 40) / (55 + weight * 50), 5);
    expect(p.sigma).toBe(0.2);
  });

  it('one bad tray does not rewrite a crop: less sure of it the farther off it is, forgotten after five good ones', () => {
    const crop = { lotId: null, varietyId: null };
    const tray = (factor: number, lotId: number) => ({
      lotId,
      varietyId: 1,
      logTime: Math.log(factor),
      logTime_sd: 0.03,
      sigma: null,
      sigma_logSd: null,
      up: 50,
      sown: 60,
    });
    expect(learn(crop, [tray(2, 1)], 0.85).time_factor).toBeLessThan(1.45);
    const thrice = learn(crop, [tray(3, 1)], 0.85);
    expect(thrice.time_factor).toBeLessThan(1.25);
    expect(thrice.doubted_count).toBe(1);
    const good = [2, 3, 4, 5, 6].map((lot) => tray(1, lot));
    expect(learn(crop, [tray(3, 1), ...good], 0.85).time_factor).toBeCloseTo(1, 1);
    expect(Math.abs(learn(crop, [tray(2, 1), ...good], 0.85).time_factor - 1)).toBeLessThan(0.04);
    // A house that is truly slow is believed: six trays alike are no accident.
    const slow = learn(
      crop,
      [1, 2, 3, 4, 5, 6].map((lot) => tray(1.8, lot)),
      0.85,
    );
    expect(slow.time_factor).toBeGreaterThan(1.6);
    expect(slow.doubted_count).toBe(0);
  });

  it('another variety teaches less than the same lot', () => {
    const tray = { logTime: 0.3, logTime_sd: 0.03, sigma: null, sigma_logSd: null, up: 55, sown: 60 };
    const same = learn(target, [{ ...tray, ...target }], 0.9);
    const variety = learn(target, [{ ...tray, varietyId: 3, lotId: 8 }], 0.9);
    const crop = learn(target, [{ ...tray, varietyId: 4, lotId: 9 }], 0.9);
    expect(same.prior.logTime).toBeGreaterThan(variety.prior.logTime);
    expect(variety.prior.logTime).toBeGreaterThan(crop.prior.logTime);
    expect(crop.prior.logTime).toBeGreaterThan(0.1);
  });

  it('one tray’s own time lies within its stated error: 300 made-up trays', () => {
    const random = seededRandom(77);
    let inside = 0;
    let counted = 0;
    for (let run = 0; run < 300; run++) {
      const tray = madeUpTray(random, { ...prior, dead_frac: 0 }, 80, [0.6, 0.75, 0.9, 1, 1.1, 1.25, 1.5, 2]);
      const estimate = trayEstimate(tray.looks, 80, prior.most_frac);
      if (!estimate) continue;
      counted++;
      if (Math.abs(estimate.logTime - tray.logTime) < 1.645 * estimate.logTime_sd + 0.005) inside++;
    }
    expect(counted).toBeGreaterThan(280);
    expect(inside / counted).toBeGreaterThan(0.85);
  });

  it('a tray counted only while it was coming up is not taken for a quick one, nor for a poor one', () => {
    const random = seededRandom(78);
    const off: number[] = [];
    const estimates = Array.from({ length: 200 }, () => {
      const tray = madeUpTray(random, { ...prior, dead_frac: 0 }, 80, [0.75, 1]);
      const estimate = trayEstimate(tray.looks, 80, prior.most_frac);
      if (estimate) off.push(estimate.logTime - tray.logTime);
      return estimate && { ...estimate, ...target };
    }).flatMap((e) => e ?? []);
    expect(estimates.length).toBeGreaterThan(150);
    expect(Math.abs(off.reduce((a, b) => a + b, 0) / off.length)).toBeLessThan(0.04);
    expect(learn(target, estimates.slice(0, 30), prior.most_frac).prior.most_frac).toBeGreaterThan(0.75);
  });

  it('says nothing from fewer than three plants or a single look', () => {
    expect(
      trayEstimate(
        [
          { progress: 1, up: 2 },
          { progress: 2, up: 2 },
        ],
        50,
        0.85,
      ),
    ).toBeNull();
    expect(trayEstimate([{ progress: 2, up: 40 }], 50, 0.85)).toBeNull();
    expect(meansOf(beliefOf(prior)).most_frac).toBeCloseTo(0.85 * 0.98, 2);
  });
});

describe('a trial at several temperatures', () => {
  const t50 = (t: number) => (t <= 26 ? 120 / (t - 9) : 120 / 17 / ((38 - t) / 12));

  it('finds the cardinal temperatures it was made from', () => {
    const fit = cardinalFit([12, 15, 18, 22, 25, 28, 31, 34].map((t) => ({ temperature_C: t, t50_days: t50(t) })));
    if (fit.kind !== 'fitted') throw new Error(fit.reason);
    expect(fit.base_C).toBeCloseTo(9, 6);
    expect(fit.theta_degreeDays).toBeCloseTo(120, 5);
    expect(fit.optimum_C).toBeCloseTo(26, 5);
    expect(fit.ceiling_C).toBeCloseTo(38, 5);
  });

  it('without warm enough trays says nothing of the ceiling; with too few says so', () => {
    const cool = [12, 15, 18, 22].map((t) => ({ temperature_C: t, t50_days: t50(t) }));
    expect(cardinalFit(cool)).toMatchObject({ kind: 'fitted', optimum_C: null, ceiling_C: null });
    expect(cardinalFit(cool.slice(0, 2))).toMatchObject({ kind: 'too few' });
    // One point beyond the best (lot of optimum 26 and ceiling 38, tried at 12 to 24 and at 30) says nothing of the two.
    const rate = (t: number) => (t <= 26 ? (t - 8) / 90 : ((26 - 8) / 90) * ((38 - t) / (38 - 26)));
    const tried = [12, 16, 20, 24, 30].map((t) => ({ temperature_C: t, t50_days: 1 / rate(t) }));
    const one = cardinalFit(tried);
    expect(one).toMatchObject({ kind: 'fitted', optimum_C: null, ceiling_C: null });
    if (one.kind === 'fitted') expect(one.base_C).toBeCloseTo(8, 6);
    const two = cardinalFit([...tried, { temperature_C: 34, t50_days: 1 / rate(34) }]);
    if (two.kind === 'fitted') expect([two.optimum_C, two.ceiling_C].map((t) => Math.round(t!))).toEqual([26, 38]);
    expect(cardinalFit([...cool.slice(0, 2), { temperature_C: 5, t50_days: null }])).toMatchObject({ kind: 'too few' });
    expect(cardinalFit([10, 15, 20].map((t) => ({ temperature_C: t, t50_days: t })))).toMatchObject({
      kind: 'too few',
    });
  });
});

describe('the age of a lot', () => {
  it('a probit lasts 10 to the K, by hand for onion at 10% and 20 degrees', () => {
    const k = viabilityConstants('Onion')!;
    const days = 10 ** (6.975 - 3.47 * 1 - 0.04 * 20 - 0.000428 * 400);
    expect(probitDays(k, 10, 20)).toBeCloseTo(days, 9);
    // From 97.7% (2 probits) one such time leaves one probit: 84.1%.
    expect(viableAfter(k, 0.97725, days, 10, 20)).toBeCloseTo(0.8413, 4);
    expect(probitDays(k, 8, 5)).toBeGreaterThan(probitDays(k, 10, 20));
    expect(() => probitDays(k, 60, 20)).toThrow(RangeError);
  });

  it('no constants: a caution when the test is old, never a figure', () => {
    const lot = {
      cropName: 'parsley',
      tested_frac: 0.9,
      sinceTest_days: 1200,
      storage_C: 10,
      moisture_percent: 8,
      keeps_years: 2,
    };
    expect(viabilityConstants('tomato')).toBeNull();
    expect(seedAge(lot)).toMatchObject({ kind: 'caution', words: expect.stringContaining('3.3 years') });
    expect(seedAge({ ...lot, sinceTest_days: 100 })).toEqual({ kind: 'fresh' });
    // Tomato keeps five years: the same test is still good.
    expect(seedAge({ ...lot, cropName: 'tomato', keeps_years: 5 })).toEqual({ kind: 'fresh' });
    expect(seedAge({ ...lot, tested_frac: null })).toMatchObject({ kind: 'unknown' });
    expect(seedAge({ ...lot, cropName: 'lettuce' })).toMatchObject({ kind: 'reckoned' });
    expect(seedAge({ ...lot, cropName: 'lettuce', storage_C: null })).toMatchObject({ kind: 'caution' });
  });
});
