import { describe, expect, it } from 'vitest';
import { normalCdf } from '../numerics/normal.ts';
import { cardinalFit } from './cardinalFit.ts';
import { hillAt, hillFit } from './hillFit.ts';
import { countFault, indices } from './indices.ts';
import { learn, seedsBehindShare, trayEstimate, traysCounted, type TrayEstimate } from './learning.ts';
import { PLAIN_PRIOR } from './belief.ts';
import { expectedShare_frac } from './usual.ts';
import { expectedCounts, verdictOf, type EmergenceInput } from './verdict.ts';
import { beliefOf } from './belief.ts';
import { probitDays, seedAge, viabilityConstants, viableAfter } from './viability.ts';

describe('counts that cannot be', () => {
  const fault = (counts: readonly (readonly [day: number, up: number])[], sown = 20) =>
    countFault(
      counts.map(([day, up]) => ({ day, up })),
      sown,
    );
  it('say which one, and why', () => {
    expect(fault([])).toBeNull();
    expect(
      fault(
        [
          [0, 0],
          [1, 20],
        ].map(([d, u]) => [d!, u!] as const),
      ),
    ).toBeNull();
    expect(fault([[-1, 0]])).toMatchObject({ at: 0, reason: expect.stringContaining('before sowing') });
    expect(fault([[NaN, 0]])).toMatchObject({ at: 0 });
    expect(fault([[1, 2.5]])).toMatchObject({ at: 0, reason: expect.stringContaining('whole number') });
    expect(fault([[1, -1]])).toMatchObject({ reason: expect.stringContaining('whole number') });
    expect(fault([[1, 21]])).toMatchObject({ reason: expect.stringContaining('of 20 sown') });
  });
  it('one a day, in order, never falling; the same number again is no fall', () => {
    const two = (a: readonly [number, number], b: readonly [number, number]) => fault([a, b]);
    expect(two([3, 5], [3, 6])).toMatchObject({ at: 1, reason: expect.stringContaining('does not come after') });
    expect(two([3, 5], [2, 6])).toMatchObject({ at: 1 });
    expect(two([3, 5], [4, 5])).toBeNull();
    expect(two([3, 5], [4, 4])).toMatchObject({ at: 1, reason: expect.stringContaining('counts do not fall') });
  });
});

describe('measures of a series', () => {
  const counts = [
    { day: 2, up: 0 },
    { day: 4, up: 4 },
    { day: 6, up: 12 },
    { day: 8, up: 16 },
  ];
  it('worked by hand: 4 on day 4, 8 on day 6, 4 on day 8, of 20', () => {
    const found = indices(counts, 20);
    expect(found).toMatchObject({ sown: 20, up: 16, final_frac: 0.8, first_days: 4 });
    expect(found.t50Coolbear_days).toBeCloseTo(4 + (8.5 - 4) / 4, 12);
    expect(found.t50Farooq_days).toBeCloseTo(5, 12);
    expect(found.t90_days).toBeCloseTo(6 + (14.4 - 12) / 2, 12);
    expect(found.meanTime_days).toBeCloseTo((4 * 4 + 8 * 6 + 4 * 8) / 16, 12);
    expect(found.speedIndex_perDay).toBeCloseTo(4 / 4 + 8 / 6 + 4 / 8, 12);
    expect(found.timson_percentDays).toBeCloseTo(0 + 20 + 60 + 80, 12);
    expect(found.synchrony).toBeCloseTo((6 + 28 + 6) / 120, 12);
    expect(found.uncertainty_bits).toBeCloseTo(1.5, 12);
  });
  it('nothing of what nobody can say: none sown, none counted, none up, one up, up on day 0', () => {
    expect(indices([], 20)).toMatchObject({ up: 0, final_frac: null, wilson90: null, timson_percentDays: null });
    expect(indices([], 0)).toMatchObject({ final_frac: null });
    expect(indices([{ day: 3, up: 0 }], 20)).toMatchObject({ final_frac: 0, first_days: null, meanTime_days: null });
    expect(indices([{ day: 3, up: 1 }], 20)).toMatchObject({ synchrony: null, uncertainty_bits: 0, t90_days: 3 });
    expect(indices([{ day: 0, up: 2 }], 20)).toMatchObject({ speedIndex_perDay: null, synchrony: 1, first_days: 0 });
    expect(() => indices([{ day: 0, up: 2 }], -1)).toThrow(RangeError);
    expect(() => indices([{ day: 0, up: 2 }], 1_000_001)).toThrow(RangeError);
    expect(() => indices([{ day: 1, up: 2 }], 1)).toThrow('of 1 sown');
    expect(indices([{ day: 1, up: 2 }], 1_000_000).up).toBe(2);
  });
});

describe('a curve through counts', () => {
  const along = (days: readonly number[]) =>
    days.map((day) => ({ day, up: Math.round(180 / (1 + (6 / Math.max(day, 0.01)) ** 8)) }));
  it('needs four counts with three rises, and says what is lacking', () => {
    expect(hillFit(along([4, 6, 8]), 200)).toMatchObject({
      kind: 'too few',
      reason: expect.stringContaining('3 counts, 3 of them higher'),
    });
    const once = [3, 4, 5, 6].map((day) => ({ day, up: day < 5 ? 0 : 40 }));
    expect(hillFit(once, 50)).toMatchObject({ kind: 'too few', reason: expect.stringContaining('between two counts') });
    const twice = [3, 4, 5, 6].map((day, i) => ({ day, up: [0, 20, 20, 40][i]! }));
    expect(hillFit(twice, 50)).toMatchObject({ kind: 'too few' });
    expect(
      hillFit(
        [
          { day: 2, up: 3 },
          { day: 1, up: 4 },
        ],
        50,
      ),
    ).toMatchObject({
      kind: 'too few',
      reason: expect.stringContaining('does not come after'),
    });
  });
  it('finds the curve the counts were taken from', () => {
    const out = hillFit(along([3, 4, 5, 6, 7, 8, 10, 12]), 200);
    if (out.kind !== 'fitted') throw new Error(out.reason);
    expect(out.fit.c_days).toBeCloseTo(6, 1);
    expect(out.fit.a_percent).toBeGreaterThan(88);
    expect(out.fit.a_percent).toBeLessThan(92);
    expect(out.fit.b).toBeGreaterThan(7);
    expect(out.fit.b).toBeLessThan(9);
    expect(out.fit.residual_percent).toBeLessThan(1);
    expect(hillAt(out.fit, 6)).toBeCloseTo(45, 0);
    expect(hillAt(out.fit, 0)).toBe(out.fit.y0_percent);
    expect(hillAt(out.fit, -2)).toBe(out.fit.y0_percent);
  });
});

describe('cardinal temperatures of a trial', () => {
  const at = (temperature_C: number, rate: number) => ({ temperature_C, t50_days: rate > 0 ? 1 / rate : null });
  const rising = (t: number) => (t - 4) / 60;
  const falling = (t: number) => (40 - t) / 50;
  it('are where its two lines begin, cross and end', () => {
    const points = [10, 14, 18, 22].map((t) => at(t, rising(t))).concat([31, 34, 37].map((t) => at(t, falling(t))));
    const fit = cardinalFit([...points].reverse());
    if (fit.kind !== 'fitted') throw new Error(fit.reason);
    expect(fit.base_C).toBeCloseTo(4, 9);
    expect(fit.theta_degreeDays).toBeCloseTo(60, 9);
    expect(fit.ceiling_C).toBeCloseTo(40, 9);
    // (T - 4) / 60 = (40 - T) / 50.
    expect(fit.optimum_C).toBeCloseTo((40 * 60 + 4 * 50) / 110, 9);
    expect(fit.points_count).toBe(7);
    expect(fit.residual_perDay).toBeCloseTo(0, 9);
  });
  it('says nothing of the hot side from one hot point, and nothing at all from two temperatures', () => {
    const warm = [10, 14, 18, 22].map((t) => at(t, rising(t)));
    expect(cardinalFit([...warm, at(34, falling(34))])).toMatchObject({ optimum_C: null, ceiling_C: null });
    const alone = cardinalFit(warm);
    expect(alone).toMatchObject({ kind: 'fitted', optimum_C: null, points_count: 4 });
    expect(cardinalFit([at(10, 0.1), at(10, 0.11), at(14, 0.2)])).toMatchObject({
      kind: 'too few',
      reason: expect.stringContaining('2 temperatures'),
    });
    expect(cardinalFit([at(10, 0.1)])).toMatchObject({ reason: expect.stringContaining('one temperature') });
    expect(cardinalFit([at(10, 0), at(14, 0), at(18, 0)])).toMatchObject({ kind: 'too few' });
    expect(cardinalFit([10, 14, 18].map((t) => at(t, (40 - t) / 50)))).toMatchObject({
      kind: 'too few',
      reason: expect.stringContaining('do not rise'),
    });
  });
  it('the residual is by the figures that are free', () => {
    const noisy = [at(10, 0.11), at(14, 0.15), at(18, 0.25), at(22, 0.29)];
    const fit = cardinalFit(noisy);
    if (fit.kind !== 'fitted') throw new Error(fit.reason);
    // Least squares by hand: slope 0.016, through (16, 0.2); leavings 0.006, -0.018, 0.018, -0.006.
    expect(1 / fit.theta_degreeDays).toBeCloseTo(0.016, 12);
    expect(fit.residual_perDay).toBeCloseTo(Math.sqrt((2 * 0.006 ** 2 + 2 * 0.018 ** 2) / 2), 9);
  });
});

describe('seed in store', () => {
  const onion = viabilityConstants(' Onion ')!;
  const lot = {
    cropName: 'onion',
    tested_frac: 0.9,
    sinceTest_days: 400,
    storage_C: 10,
    moisture_percent: 8,
    keeps_years: 1,
  };
  it('loses a probit in the days the equation gives', () => {
    const days = 10 ** (6.975 - 3.47 * Math.log10(8) - 0.04 * 10 - 0.000428 * 100);
    expect(probitDays(onion, 8, 10)).toBeCloseTo(days, 6);
    expect(viableAfter(onion, 0.5, days, 8, 10)).toBeCloseTo(normalCdf(-1), 9);
    expect(viableAfter(onion, 0.9, 0, 8, 10)).toBeCloseTo(0.9, 6);
    expect(viableAfter(onion, 1, 0, 8, 10)).toBeCloseTo(0.999, 6);
    expect(viableAfter(onion, 0, 0, 8, 10)).toBeCloseTo(0.001, 6);
    expect(viabilityConstants('basil')).toBeNull();
  });
  it('is asked only within what the equation is for', () => {
    for (const moisture of [1.9, 25.1]) expect(() => probitDays(onion, moisture, 10)).toThrow('seed moisture');
    for (const moisture of [2, 25]) expect(probitDays(onion, moisture, 10)).toBeGreaterThan(0);
    for (const cold of [-21, 61]) expect(() => probitDays(onion, 8, cold)).toThrow('storage temperature');
    for (const cold of [-20, 60]) expect(probitDays(onion, 8, cold)).toBeGreaterThan(0);
    expect(() => viableAfter(onion, 0.9, -1, 8, 10)).toThrow('days in store');
  });
  it('is reckoned where constants and storage are known, else cautioned by its age', () => {
    expect(seedAge(lot)).toMatchObject({ kind: 'reckoned', viable_frac: viableAfter(onion, 0.9, 400, 8, 10) });
    expect(seedAge({ ...lot, sinceTest_days: -3 })).toMatchObject({ viable_frac: viableAfter(onion, 0.9, 0, 8, 10) });
    // A freezer colder than the equation reaches.
    expect(seedAge({ ...lot, storage_C: -80 })).toMatchObject({ probit_days: probitDays(onion, 8, -20) });
    expect(seedAge({ ...lot, storage_C: 99 })).toMatchObject({ probit_days: probitDays(onion, 8, 60) });
    for (const unknown of [{ storage_C: null }, { moisture_percent: null }, { cropName: 'basil' }]) {
      expect(seedAge({ ...lot, ...unknown })).toMatchObject({ kind: 'caution', words: expect.stringContaining('1.1') });
      expect(seedAge({ ...lot, ...unknown, sinceTest_days: 365 }).kind).toBe('fresh');
      expect(seedAge({ ...lot, ...unknown, sinceTest_days: 366 }).kind).toBe('caution');
    }
    expect(seedAge({ ...lot, cropName: 'basil', keeps_years: 4, sinceTest_days: 1461 }).kind).toBe('fresh');
    expect(seedAge({ ...lot, tested_frac: null }).kind).toBe('unknown');
    expect(seedAge({ ...lot, sinceTest_days: null }).kind).toBe('unknown');
  });
});

describe('what is thought of a lot', () => {
  it('its test and the field, at most all of it; without a test the usual', () => {
    expect(expectedShare_frac(null)).toBe(0.85);
    expect(expectedShare_frac(80)).toBeCloseTo(0.76, 12);
    expect(expectedShare_frac(140)).toBeCloseTo(0.95, 12);
    expect(expectedShare_frac(0)).toBe(0);
  });
  it('rests on the seeds of its test and on how alike trays are', () => {
    expect(seedsBehindShare(null)).toBe(PLAIN_PRIOR.most_seeds);
    expect(seedsBehindShare(0)).toBe(PLAIN_PRIOR.most_seeds);
    expect(seedsBehindShare(1)).toBeCloseTo(1 / (1 / 46 + 1 / 2) - 1, 12);
    expect(seedsBehindShare(50)).toBeCloseTo(1 / (1 / 46 + 1 / 51) - 1, 12);
  });
  it('trays are counted by lot and variety; what has neither is alike to none', () => {
    const trays = [
      { lotId: 7, varietyId: 3 },
      { lotId: 8, varietyId: 3 },
      { lotId: null, varietyId: null },
    ];
    expect(traysCounted({ lotId: 7, varietyId: 3 }, trays)).toEqual({
      trays_count: 3,
      lotTrays_count: 1,
      varietyTrays_count: 2,
    });
    expect(traysCounted({ lotId: null, varietyId: null }, trays)).toEqual({
      trays_count: 3,
      lotTrays_count: 0,
      varietyTrays_count: 0,
    });
  });
  it('a tray of the lot moves the share by its seeds, those of the variety and the crop less, a doubtful one hardly', () => {
    const tray = (more: Partial<TrayEstimate & { lotId: number | null; varietyId: number | null }> = {}) => ({
      lotId: 7,
      varietyId: 3,
      logTime: 0,
      logTime_sd: 0.05,
      sigma: null,
      sigma_logSd: null,
      up: 30,
      sown: 60,
      ...more,
    });
    const target = { lotId: 7, varietyId: 3 };
    const share = (one: ReturnType<typeof tray>) => learn(target, [one], 0.9).prior.most_frac;
    // 55 seeds at 0.9, then 60 seeds, of which half came, at 0.6 (0.25, 0.1) of 45 in 105 each.
    const by = (near: number, wrong = 0) => {
      const weight = near * (45 / 105) * (1 - wrong);
      return (0.9 * 55 + weight * 30) / (55 + weight * 60);
    };
    const wrong = share(tray());
    expect(wrong).toBeGreaterThan(by(0.6));
    expect(wrong).toBeLessThan(by(0.6, 0.15));
    expect(share(tray({ lotId: 9 }))).toBeGreaterThan(by(0.25));
    expect(share(tray({ lotId: 9 }))).toBeLessThan(by(0.25, 0.15));
    expect(share(tray({ lotId: 9, varietyId: 9 }))).toBeGreaterThan(by(0.1));
    expect(share(tray({ lotId: 9, varietyId: 9 }))).toBeLessThan(by(0.1, 0.15));
    // Twice as slow as all others: probably wrong, and its share with it.
    const others = Array.from({ length: 6 }, () => tray({ up: 54 }));
    const doubted = learn(target, [...others, tray({ logTime: 1.6, up: 3 })], 0.9);
    expect(doubted.doubted_count).toBe(1);
    expect(doubted.prior.most_frac).toBeGreaterThan(0.89);
    expect(learn(target, others, 0.9).doubted_count).toBe(0);
  });
  it('a share beyond all sense is refused, one at the edge is brought within it', () => {
    const target = { lotId: 7, varietyId: 3 };
    expect(() => learn(target, [], -0.1)).toThrow(RangeError);
    expect(() => learn(target, [], NaN)).toThrow(RangeError);
    expect(learn(target, [], 0).prior.most_frac).toBeCloseTo(0.02, 12);
    expect(learn(target, [], 1).prior.most_frac).toBeCloseTo(0.98, 12);
    expect(learn(target, [], 0.9).prior.most_seeds).toBeCloseTo(1 / (1 / 46 + 1 / 56) - 1, 12);
  });
  it('a tray with fewer than three up, or one look, says nothing', () => {
    const look = (progress: number, up: number) => ({ progress, up });
    expect(trayEstimate([look(0.8, 1), look(1.4, 2)], 50, 0.9)).toBeNull();
    expect(trayEstimate([look(1.4, 40)], 50, 0.9)).toBeNull();
    expect(trayEstimate([], 50, 0.9)).toBeNull();
    const least = trayEstimate([look(0.8, 1), look(1.4, 3)], 50, 0.9);
    expect(least).toMatchObject({ up: 3 });
    // Seeds that had time by the last look: never fewer than came, never more than were sown.
    const full = trayEstimate([look(0.7, 4), look(1, 24), look(1.6, 45)], 50, 0.9)!;
    expect(full.sown).toBeGreaterThan(45);
    expect(full.sown).toBeLessThanOrEqual(50);
    const early = trayEstimate([look(0.6, 0), look(0.8, 6)], 50, 0.9)!;
    expect(early.sown).toBeLessThan(15);
    expect(early.sown).toBeGreaterThanOrEqual(6);
  });
});

describe('the verdict at its limits', () => {
  const prior = { ...PLAIN_PRIOR, logTime: 0, logTime_sd: 0.1, sigma_logSd: 0.2, most_frac: 0.9 };
  const progressOn = (day: number) => (day - 100) / 8;
  const look = (day: number, up: number) => ({ day, up, progress: progressOn(day) });
  const at = (looks: EmergenceInput['looks'], today: number, more: Partial<EmergenceInput> = {}) =>
    verdictOf({ prior, sown: 60, sownOn: 100, looks, today, progressOn, needed: 40, sowAgainBy: 112, ...more });

  it('as many as are needed is enough, one fewer is not', () => {
    expect(at([look(109, 40)], 109).kind).toBe('enough up');
    expect(at([look(109, 39)], 109).kind).not.toBe('enough up');
    // However old the count is.
    expect(at([look(106, 40)], 112).kind).toBe('enough up');
  });
  it('asks for a new count when three days have gone by in which many more should have come', () => {
    expect(at([look(107, 15)], 109).kind).not.toBe('count again');
    expect(at([look(107, 15)], 110).kind).toBe('count again');
    // Nothing more to come: nothing to count.
    expect(at([look(120, 30)], 130).kind).not.toBe('count again');
  });
  it('says nothing before the first look, nor the chance of fewer; nor sowing again where all is well', () => {
    const none = at([], 104);
    expect(none).toMatchObject({ kind: 'too soon', fewer_frac: null, countedOn: null, sowAgainBy: null });
    expect(at([look(108, 25)], 108)).toMatchObject({ countedOn: 108, sowAgainBy: null });
    expect(at([look(110, 2)], 110)).toMatchObject({ kind: 'late', sowAgainBy: 112 });
  });
  it('nothing up is too soon while hardly any were expected, late after', () => {
    expect(at([look(104, 0)], 104).kind).toBe('too soon');
    expect(['late', 'likely dead']).toContain(at([look(110, 0)], 110).kind);
    expect(at([look(110, 0)], 110).fewer_frac).toBeLessThan(0.05);
    expect(at([look(105, 30)], 105).fewer_frac).toBeGreaterThan(0.95);
  });
  it('days beyond those looked at are not told', () => {
    const slow = at([], 104, { progressOn: (day) => (day - 100) / 1000 });
    expect(slow).toMatchObject({ firstOn: null, halfOn: null, nearlyAllOn: null });
    const edge = at([], 104, { progressOn: (day) => (day - 100) / 124 });
    expect(edge.halfOn).toBe(224);
  });
  it('counts expected on days to come never fall below what was seen', () => {
    const belief = beliefOf(prior);
    const [before, after] = [expectedCounts(belief, 60, [0.5, 1, 2]), expectedCounts(belief, 60, [0.5], look(108, 20))];
    expect(before.map(({ mean }) => Math.round(mean))).toEqual(
      [...before.map(({ mean }) => Math.round(mean))].sort((a, b) => a - b),
    );
    expect(before[1]!.mean).toBeGreaterThan(20);
    expect(before[1]!.mean).toBeLessThan(32);
    expect(after[0]!.low).toBe(20);
    for (const { low, mean, high } of before) {
      expect(low).toBeLessThanOrEqual(mean);
      expect(high).toBeGreaterThanOrEqual(mean);
    }
  });
});
