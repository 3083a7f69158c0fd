import betaQuantile from '@stdlib/stats-base-dists-beta-quantile';
import binomialCdf from '@stdlib/stats-base-dists-binomial-cdf';
import stdBinomialQuantile from '@stdlib/stats-base-dists-binomial-quantile';
import stdNormalCdf from '@stdlib/stats-base-dists-normal-cdf';
import stdNormalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { beliefOf, PLAIN_PRIOR } from '../../src/core/germination/belief.ts';
import { binomialAtLeast, binomialQuantile } from '../../src/core/numerics/binomial.ts';
import { normalCdf, normalDraw, normalQuantile } from '../../src/core/numerics/normal.ts';
import { studentQuantile } from '../../src/core/numerics/student.ts';
import { wilson } from '../../src/core/numerics/wilson.ts';
import { oddsOf, seedsToSow, type SeedsQuestion } from '../../src/core/batch/seedsToSow.ts';
import { seededRandom } from '../../src/core/numerics/random.ts';

// Checked against the stdlib statistics packages (stdlib.io), an implementation of its own.
describe('distributions against a statistics library', () => {
  it('normal, both ways', () => {
    for (let z = -8; z <= 8; z += 0.01) expect(Math.abs(normalCdf(z) - stdNormalCdf(z, 0, 1))).toBeLessThan(1e-14);
    for (const p of [1e-10, 1e-6, 0.001, 0.02, 0.025, 0.3, 0.5, 0.9, 0.975, 0.999, 1 - 1e-10])
      expect(Math.abs(normalQuantile(p) - stdNormalQuantile(p, 0, 1))).toBeLessThan(1e-7);
    for (let p = 0.0005; p < 1; p += 0.001)
      expect(Math.abs(normalDraw(p) - stdNormalQuantile(p, 0, 1))).toBeLessThan(1e-8);
    // A share of exactly 0 or 1 is no infinite draw.
    expect(normalDraw(0)).toBeCloseTo(-5.9978, 3);
    expect(normalDraw(1)).toBeCloseTo(5.9978, 3);
    expect([normalCdf(-40), normalCdf(40), normalCdf(NaN)]).toEqual([0, 1, NaN]);
  });

  it('binomial tails and quantiles', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 2000 }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        fc.double({ min: -4, max: 4, noNaN: true }),
        (n, p, z) => {
          const k = Math.max(0, Math.min(n, Math.round(n * p + z * Math.sqrt(n * p * (1 - p)))));
          expect(Math.abs(binomialAtLeast(k, n, p) - (1 - (k > 0 ? binomialCdf(k - 1, n, p) : 0)))).toBeLessThan(1e-10);
        },
      ),
      { seed: 3, numRuns: 600 },
    );
    for (const n of [1, 7, 50, 124, 900]) {
      for (const p of [0.05, 0.5, 0.85]) {
        for (const q of [0.05, 0.1, 0.5, 0.9, 0.95])
          expect(binomialQuantile(q, n, p)).toBe(stdBinomialQuantile(q, n, p) + 0);
      }
    }
  });

  it('Wilson limits solve the equation they are defined by, and match printed ones', () => {
    // Wilson 1927: (p - k/n)² = z² p (1 - p) / n at both ends.
    for (const [k, n, level] of [
      [0, 10, 0.95],
      [1, 29, 0.95],
      [15, 148, 0.95],
      [81, 263, 0.95],
      [40, 50, 0.9],
    ] as const) {
      const z = stdNormalQuantile(0.5 + level / 2, 0, 1);
      const { low, high } = wilson(k, n, level);
      for (const end of k === 0 ? [high] : [low, high])
        expect((end - k / n) ** 2).toBeCloseTo((z * z * end * (1 - end)) / n, 12);
    }
    // Newcombe 1998, Stat. Med. 17, 857-872, table I, method 3: 81/263 and 15/148 (from memory).
    expect(wilson(81, 263, 0.95).low).toBeCloseTo(0.2553, 4);
    expect(wilson(81, 263, 0.95).high).toBeCloseTo(0.3662, 4);
    expect(wilson(15, 148, 0.95).low).toBeCloseTo(0.0624, 4);
    expect(wilson(15, 148, 0.95).high).toBeCloseTo(0.1605, 4);
  });

  it('the share thought to come up is a beta, on its grid', () => {
    const { shares, weights } = beliefOf({ ...PLAIN_PRIOR, logTime: 0, most_frac: 0.8, dead_frac: 0 });
    const mass = Array.from(shares, (_, j) => {
      let sum = 0;
      for (let i = 0; i < weights.length / shares.length; i++) sum += weights[i * shares.length + j]!;
      return sum;
    });
    for (const q of [0.1, 0.5, 0.9]) {
      let sum = 0;
      const j = mass.findIndex((m) => (sum += m) >= q);
      expect(Math.abs(shares[j]! - betaQuantile(q, 20, 5))).toBeLessThan(1 / shares.length);
    }
  });
});

describe('seeds to sow', () => {
  const plain: SeedsQuestion = {
    plantsWanted: 100,
    confidence: 0.9,
    germination_frac: 0.85,
    field_frac: 1,
    loss_frac: 0,
    cull_frac: 0,
    seedsPerCell: 1,
    teased_frac: 0,
  };

  it('one seed to a cell: the fewest by the library’s binomial', () => {
    for (const [want, germ, confidence] of [
      [100, 0.85, 0.9],
      [1, 0.5, 0.99],
      [500, 0.7, 0.95],
      [2000, 0.92, 0.8],
    ] as const) {
      const { seeds } = seedsToSow({ ...plain, plantsWanted: want, germination_frac: germ, confidence })!;
      expect(1 - binomialCdf(want - 1, seeds, germ)).toBeGreaterThanOrEqual(confidence);
      expect(1 - binomialCdf(want - 1, seeds - 1, germ)).toBeLessThan(confidence);
    }
  });

  it('losses and culls are one binomial with the rest', () => {
    const answer = seedsToSow({ ...plain, loss_frac: 0.1, cull_frac: 0.05, field_frac: 0.9 })!;
    const p = 0.85 * 0.9 * 0.9 * 0.95;
    expect(answer.good_frac).toBeCloseTo(p, 12);
    expect(1 - binomialCdf(99, answer.seeds, p)).toBeGreaterThanOrEqual(0.9);
    expect(1 - binomialCdf(99, answer.seeds - 1, p)).toBeLessThan(0.9);
  });

  it('several to a cell with doubles teased apart: as chance has it, 20,000 sowings', () => {
    const question = { ...plain, germination_frac: 0.6, seedsPerCell: 2, teased_frac: 0.7, loss_frac: 0.1 };
    const answer = seedsToSow(question)!;
    expect(answer.exact).toBe(true);
    const random = seededRandom(9);
    let short = 0;
    for (let run = 0; run < 20_000; run++) {
      let up = 0;
      for (let cell = 0; cell < answer.cells; cell++) {
        const n = Number(random() < 0.6) + Number(random() < 0.6);
        up += n === 0 ? 0 : 1 + (n === 2 && random() < 0.7 ? 1 : 0);
      }
      let good = 0;
      for (let i = 0; i < Math.min(answer.cells, up); i++) good += Number(random() < 0.9);
      short += Number(good < 100);
    }
    expect(answer.short_frac).toBeCloseTo(short / 20_000, 2);
    // Teasing saves cells against thinning to one.
    expect(answer.cells).toBeLessThan(seedsToSow({ ...question, teased_frac: 0 })!.cells);
    expect(oddsOf(question, answer.cells - 1).short_frac).toBeGreaterThan(0.1);
  });

  it('many cells: the normal curve agrees with counting where they meet', () => {
    const big = seedsToSow({ ...plain, plantsWanted: 5000, seedsPerCell: 2, germination_frac: 0.7 })!;
    expect(big.exact).toBe(false);
    // A cell is filled with 1 - 0.3²: the plain binomial says the same.
    const q = 1 - 0.3 ** 2;
    expect(Math.abs(1 - binomialCdf(4999, big.cells, q) - 0.9)).toBeLessThan(0.02);
  });

  it('seed balls above 100%, nothing alive, and figures out of bounds', () => {
    const balls = seedsToSow({ ...plain, germination_frac: 1.4 })!;
    expect(balls.good_frac).toBeCloseTo(1 - Math.exp(-1.4), 12);
    expect(seedsToSow({ ...plain, germination_frac: 0 })).toBeNull();
    expect(seedsToSow({ ...plain, loss_frac: 1 })).toBeNull();
    expect(() => seedsToSow({ ...plain, confidence: 1 })).toThrow(RangeError);
    expect(() => seedsToSow({ ...plain, plantsWanted: NaN })).toThrow(RangeError);
  });
});

describe("Student's distribution", () => {
  it('agrees with a statistics library over degrees of freedom and shares', () => {
    for (const freedom of [1, 2, 3, 4, 4.5, 6, 9, 14, 40, 200])
      for (const p of [0.01, 0.05, 0.1, 0.2, 0.4, 0.6, 0.8, 0.9, 0.95, 0.99]) {
        const theirs = tQuantile(p, freedom) as number;
        expect(Math.abs(studentQuantile(p, freedom) - theirs)).toBeLessThan(1e-3 * Math.max(1, Math.abs(theirs)));
      }
  });
});

describe('seeds to sow, the share itself unsure', () => {
  it('keeps its promise over shares drawn from a beta: nine in ten times enough, where a sure share would fail', () => {
    const question: SeedsQuestion = {
      plantsWanted: 100,
      confidence: 0.9,
      germination_frac: 0.85,
      field_frac: 1,
      loss_frac: 0,
      cull_frac: 0,
      seedsPerCell: 1,
      teased_frac: 0,
    };
    const random = seededRandom(8);
    const behind = 30;
    const held = (cells: number) => {
      let enough = 0;
      for (let run = 0; run < 4000; run++) {
        // A share by the library's quantile of the beta, then each seed by itself.
        const share = betaQuantile(
          Math.min(0.9999, Math.max(0.0001, random())),
          0.85 * behind,
          0.15 * behind,
        ) as number;
        let up = 0;
        for (let i = 0; i < cells; i++) if (random() < share) up++;
        if (up >= 100) enough++;
      }
      return enough / 4000;
    };
    const sure = seedsToSow(question)!.cells;
    const unsure = seedsToSow({ ...question, behind_seeds: behind })!.cells;
    expect(unsure).toBeGreaterThan(sure);
    expect(held(sure)).toBeLessThan(0.82);
    expect(held(unsure)).toBeGreaterThan(0.88);
    expect(held(unsure)).toBeLessThan(0.93);
  });
});
