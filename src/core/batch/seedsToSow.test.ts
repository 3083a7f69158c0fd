import { describe, expect, it } from 'vitest';
import { oddsOf, seedsToSow, type SeedsQuestion } from './seedsToSow.ts';

const ask = (more: Partial<SeedsQuestion> = {}): SeedsQuestion => ({
  plantsWanted: 150,
  confidence: 0.9,
  germination_frac: 0.94,
  field_frac: 0.95,
  loss_frac: 0.03,
  cull_frac: 0.05,
  seedsPerCell: 1,
  teased_frac: 0,
  behind_seeds: 23,
  ...more,
});

describe('a share that is known from few seeds', () => {
  it('has the mean it is said to have, also where most of it lies above the field’s share', () => {
    for (const germination_frac of [0.6, 0.8, 0.9, 0.94, 0.98, 1]) {
      const { mean_plants } = oddsOf(ask({ germination_frac }), 200);
      expect(mean_plants / (200 * germination_frac * 0.95 * 0.97 * 0.95), String(germination_frac)).toBeCloseTo(1, 1.6);
    }
  });
  it('seed that germinates better never wants more cells, and one known for certain not more than one that is not', () => {
    const cells = [0.7, 0.8, 0.9, 0.94, 0.96, 1].map(
      (germination_frac) => seedsToSow(ask({ germination_frac }))!.cells,
    );
    expect(cells).toEqual([...cells].sort((a, b) => b - a));
    const sure = seedsToSow(ask({ behind_seeds: null }))!.cells;
    const unsure = seedsToSow(ask())!.cells;
    expect(unsure).toBeGreaterThan(sure);
    // The lowest ninth of a beta about 0.893 by 23 seeds lies about 0.77.
    expect(unsure).toBeLessThan(sure * 1.2);
  });
  it('has one hump', () => {
    const { chances } = oddsOf(ask(), 220);
    const most = chances.indexOf(Math.max(...chances));
    expect(chances.slice(0, Math.max(0, most - 60)).reduce((a, b) => a + b, 0)).toBeLessThan(0.05);
  });
  it('sprouts of seed balls are no share: 140 of 100 balls give a plant from three in four', () => {
    const { good_frac, mean_plants } = oddsOf(ask({ germination_frac: 1.4 }), 100);
    expect(good_frac).toBeCloseTo((1 - Math.exp(-1.4 * 0.95)) * 0.97 * 0.95, 9);
    expect(mean_plants).toBeCloseTo(100 * good_frac, 6);
  });
});

/** Chance of k of n by multiplying out, in logs: shares nothing with the program's own. */
function pmf(k: number, n: number, p: number): number {
  if (p <= 0) return k === 0 ? 1 : 0;
  if (p >= 1) return k === n ? 1 : 0;
  let log = k * Math.log(p) + (n - k) * Math.log(1 - p);
  for (let i = 1; i <= k; i++) log += Math.log((n - k + i) / i);
  return Math.exp(log);
}
const below = (wanted: number, n: number, p: number) =>
  Array.from({ length: wanted }, (_, k) => pmf(k, n, p)).reduce((a, b) => a + b, 0);

describe('a share known for certain', () => {
  const sure = (more: Partial<SeedsQuestion> = {}) =>
    ask({ plantsWanted: 40, germination_frac: 0.8, field_frac: 0.9, behind_seeds: null, ...more });
  const good = 0.8 * 0.9 * 0.97 * 0.95;

  it('is binomial: each chance, the mean, the odds of too few', () => {
    const odds = oddsOf(sure(), 66);
    expect(odds).toMatchObject({ cells: 66, seeds: 66, exact: true });
    expect(odds.good_frac).toBeCloseTo(good, 12);
    expect(odds.mean_plants).toBeCloseTo(66 * good, 9);
    expect(odds.short_frac).toBeCloseTo(below(40, 66, good), 9);
    odds.chances.forEach((chance, i) => expect(chance).toBeCloseTo(pmf(odds.from + i, 66, good), 10));
    // So many of them are shown that hardly anything is left out, and none beyond the cells there are.
    expect(odds.chances.reduce((a, b) => a + b, 0)).toBeGreaterThan(0.9999);
    expect(odds.from).toBe(Math.floor(66 * good - 4.5 * Math.sqrt(66 * good * (1 - good))));
    expect(odds.from + odds.chances.length - 1).toBe(
      Math.min(66, Math.ceil(66 * good + 4.5 * Math.sqrt(66 * good * (1 - good)))),
    );
    expect(oddsOf(sure(), 3).chances).toHaveLength(4);
  });

  it('the fewest cells that will do: one fewer will not', () => {
    for (const confidence of [0.5, 0.8, 0.95, 0.999]) {
      const { cells } = seedsToSow(sure({ confidence }))!;
      expect(1 - below(40, cells, good)).toBeGreaterThanOrEqual(confidence);
      expect(1 - below(40, cells - 1, good)).toBeLessThan(confidence);
    }
    // Where nothing is lost as many as are wanted will do.
    const all = { germination_frac: 1, field_frac: 1, loss_frac: 0, cull_frac: 0 };
    expect(seedsToSow(sure(all))!.cells).toBe(40);
    expect(seedsToSow(sure({ ...all, plantsWanted: 1 }))!.cells).toBe(1);
  });

  it('no number will do where nothing comes, all is lost, or more would be wanted than anybody sows', () => {
    expect(seedsToSow(sure({ germination_frac: 0 }))).toBeNull();
    expect(seedsToSow(sure({ field_frac: 0 }))).toBeNull();
    expect(seedsToSow(sure({ loss_frac: 1 }))).toBeNull();
    expect(seedsToSow(sure({ cull_frac: 1 }))).toBeNull();
    expect(seedsToSow(sure({ plantsWanted: 90_000, germination_frac: 0.2 }))).toBeNull();
    expect(seedsToSow(sure({ loss_frac: 0.99, cull_frac: 0.99 }))).toBeNull();
    expect(seedsToSow(sure({ loss_frac: 0.9, cull_frac: 0.5, plantsWanted: 10 }))!.cells).toBeGreaterThan(200);
  });

  it('of very many the normal curve is taken, which agrees', () => {
    const many = oddsOf(sure({ plantsWanted: 13_300 }), 20_001);
    expect(many.exact).toBe(false);
    const { exact, chances, from } = oddsOf(sure({ plantsWanted: 13_300 }), 20_000);
    expect(exact).toBe(true);
    const at = 13_280;
    expect(many.chances[at - many.from]! / chances[at - from]!).toBeCloseTo(1, 1);
    expect(many.chances.reduce((a, b) => a + b, 0)).toBeGreaterThan(0.9999);
    // Sure to come, all of them come.
    const all = oddsOf(sure({ germination_frac: 1, field_frac: 1, loss_frac: 0, cull_frac: 0 }), 20_001);
    expect([all.from, all.chances]).toEqual([20_001, [1]]);
  });
});

describe('several seeds to a cell', () => {
  /** Every way three cells of two seeds can come up, written out. */
  function byHand(p: number, teased: number, kept: number): number[] {
    const cell = [(1 - p) ** 2, 2 * p * (1 - p) + p * p * (1 - teased), p * p * teased];
    const out = [0, 0, 0, 0];
    for (const a of [0, 1, 2])
      for (const b of [0, 1, 2])
        for (const c of [0, 1, 2]) {
          const standing = Math.min(3, a + b + c);
          for (let k = 0; k <= standing; k++) out[k]! += cell[a]! * cell[b]! * cell[c]! * pmf(k, standing, kept);
        }
    return out;
  }
  const two = (more: Partial<SeedsQuestion> = {}) =>
    ask({ plantsWanted: 2, germination_frac: 0.7, field_frac: 1, seedsPerCell: 2, behind_seeds: null, ...more });

  it.each([0, 0.4, 1])('as counted case by case, %d of the doubles teased apart', (teased_frac) => {
    const odds = oddsOf(two({ teased_frac }), 3);
    const hand = byHand(0.7, teased_frac, 0.97 * 0.95);
    expect(odds.seeds).toBe(6);
    expect(odds.from).toBe(0);
    odds.chances.forEach((chance, k) => expect(chance).toBeCloseTo(hand[k]!, 10));
    expect(odds.short_frac).toBeCloseTo(hand[0]! + hand[1]!, 10);
    expect(odds.mean_plants).toBeCloseTo(hand[1]! + 2 * hand[2]! + 3 * hand[3]!, 10);
  });

  it('beyond so many seeds the normal curve goes by the same mean and spread', () => {
    // 1,200 seeds are counted out: 600 cells of two.
    const exact = oddsOf(two({ plantsWanted: 500 }), 600);
    const stretched = oddsOf(two({ plantsWanted: 500 }), 601);
    expect([exact.exact, stretched.exact]).toEqual([true, false]);
    expect(stretched.mean_plants / 601).toBeCloseTo(exact.mean_plants / 600, 6);
    expect(Math.abs(stretched.short_frac - exact.short_frac)).toBeLessThan(0.03);
    const sd = Math.sqrt(600 * 0.91 * 0.9215 * (1 - 0.91 * 0.9215));
    expect(stretched.from).toBe(Math.floor(stretched.mean_plants - 4.5 * sd * Math.sqrt(601 / 600)));
    const certain = two({ germination_frac: 1, loss_frac: 0, cull_frac: 0, plantsWanted: 601 });
    expect([oddsOf(certain, 601).short_frac, oddsOf({ ...certain, plantsWanted: 602 }, 601).short_frac]).toEqual([
      0, 1,
    ]);
  });
});

describe('an unsure share, against summing over its beta', () => {
  /** Odds of too few, mean and variance with the share spread as a beta, by a fine sum. */
  function summed(q: SeedsQuestion, cells: number) {
    const mean = q.germination_frac * q.field_frac;
    const [a, b] = [mean * q.behind_seeds!, (1 - mean) * q.behind_seeds!];
    const kept = (1 - q.loss_frac) * (1 - q.cull_frac);
    let [all, short, first, second] = [0, 0, 0, 0];
    for (let i = 0; i < 2_000; i++) {
      const share = (i + 0.5) / 2_000;
      const w = Math.exp((a - 1) * Math.log(share) + (b - 1) * Math.log(1 - share));
      const p = share * kept;
      all += w;
      short += w * below(q.plantsWanted, cells, p);
      first += w * cells * p;
      second += w * (cells * p * (1 - p) + (cells * p) ** 2);
    }
    return { short: short / all, mean: first / all, variance: second / all - (first / all) ** 2 };
  }

  it.each([
    [0.8, 0.95, 30, 60],
    [0.5, 1, 12, 90],
    [0.97, 0.9, 50, 55],
  ])('germination %d, field %d, known from %d seeds', (germination_frac, field_frac, behind_seeds, cells) => {
    const q = ask({ plantsWanted: 40, germination_frac, field_frac, behind_seeds });
    const truth = summed(q, cells);
    const odds = oddsOf(q, cells);
    expect(Math.abs(odds.short_frac - truth.short)).toBeLessThan(0.02);
    expect(odds.mean_plants / truth.mean).toBeCloseTo(1, 2);
    // Nine ways stand for the whole beta: its far tails are a little short.
    const variance = odds.chances.reduce((sum, c, i) => sum + c * (odds.from + i - odds.mean_plants) ** 2, 0);
    expect(variance / truth.variance).toBeGreaterThan(0.85);
    expect(variance / truth.variance).toBeLessThan(1.05);
    expect(odds.chances.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 2);
  });

  it('also of very many: unsure as much as the share is', () => {
    const q = ask({ plantsWanted: 15_000, behind_seeds: 100, germination_frac: 0.9, field_frac: 1 });
    const odds = oddsOf(q, 20_001);
    expect(odds.exact).toBe(false);
    const sd = 20_001 * 0.9215 * Math.sqrt((0.9 * 0.1) / 101);
    expect((odds.mean_plants - odds.from) / 4.5 / sd).toBeGreaterThan(0.9);
    expect((odds.mean_plants - odds.from) / 4.5 / sd).toBeLessThan(1.05);
  });

  it('is refused where it rests on no seed', () => {
    for (const behind_seeds of [0, -1, NaN]) expect(() => seedsToSow(ask({ behind_seeds }))).toThrow(RangeError);
    for (const plantsWanted of [0, 100_001]) expect(() => seedsToSow(ask({ plantsWanted }))).toThrow(RangeError);
    for (const confidence of [0.49, 1]) expect(() => seedsToSow(ask({ confidence }))).toThrow(RangeError);
    for (const seedsPerCell of [0, 13]) expect(() => seedsToSow(ask({ seedsPerCell }))).toThrow(RangeError);
  });
});
