import stdBinomialQuantile from '@stdlib/stats-base-dists-binomial-quantile';
import binomialCdf from '@stdlib/stats-base-dists-binomial-cdf';
import { derivative, evaluate } from 'mathjs';
import { describe, expect, it } from 'vitest';
import type { Container, PotShape } from '../../src/core/books/container.ts';
import { K_IN_K2O, P_IN_P2O5, strengthOf, type Feed } from '../../src/core/potting/feed.ts';
import { keepFor } from '../../src/core/potting/keep.ts';
import { frustum_L, layersOf, perTray } from '../../src/core/potting/pot.ts';
import { minutesFor, paceOf } from '../../src/core/potting/rates.ts';
import { traysFor } from '../../src/core/batch/trays.ts';

describe('feed against handbook arithmetic', () => {
  const powder = (n: number, rate_perL = 1): Feed => ({
    name: 'x',
    form: 'powder',
    basis: 'w/w',
    n_percent: n,
    p_percent: 20,
    k_percent: 20,
    named: 'oxide',
    rate_perL,
    density_kg_L: 1,
    ec_mS: null,
  });
  it('1 g/L of a 20% N feed is 200 ppm N', () => {
    // ppm = mg/L; Nelson, Greenhouse Operation and Management, chapter on fertilization (from memory).
    expect(strengthOf(powder(20), 1).n_ppm).toBeCloseTo(200, 12);
    // 100 ppm N from 20-20-20 takes half a gram; 150 ppm from 15% N a gram (same arithmetic).
    expect(strengthOf(powder(20), 0.5).n_ppm).toBeCloseTo(100, 12);
    expect(strengthOf(powder(15), 1).n_ppm).toBeCloseTo(150, 12);
  });
  it('oxide to element: P = 0.4364 P2O5 and K = 0.8301 K2O', () => {
    // AOAC conversion factors as printed in fertilizer handbooks (0.4364, 0.8301), from memory.
    expect(P_IN_P2O5).toBeCloseTo(0.4364, 4);
    expect(K_IN_K2O).toBeCloseTo(0.8301, 3);
    const { p_ppm, k_ppm, p2o5_ppm, k2o_ppm } = strengthOf(powder(20), 1);
    expect(p2o5_ppm).toBeCloseTo(200, 10);
    expect(k2o_ppm).toBeCloseTo(200, 10);
    expect(p_ppm).toBeCloseTo(87.3, 1);
    expect(k_ppm).toBeCloseTo(166.0, 1);
  });
  it('a feed named by its elements says the same of the same stuff', () => {
    const oxide = strengthOf(powder(20), 1);
    const element = strengthOf(
      { ...powder(20), named: 'element', p_percent: 20 * 0.43642, k_percent: 20 * 0.83013 },
      1,
    );
    expect(element.p_ppm).toBeCloseTo(oxide.p_ppm, 1);
    expect(element.k2o_ppm).toBeCloseTo(oxide.k2o_ppm, 1);
  });
});

describe('the volume of a pot against integration', () => {
  /** Slices of the pot added up by Simpson's rule, the width read off the straight side. */
  const integrated = (shape: PotShape, depth: number): number => {
    const n = 2000;
    const area = (z: number) => {
      const d = evaluate('b + (t - b) * z / h', { b: shape.base_mm, t: shape.top_mm, z, h: shape.height_mm }) as number;
      return shape.section === 'round' ? (Math.PI * d * d) / 4 : d * d;
    };
    let sum = area(0) + area(depth);
    for (let i = 1; i < n; i++) sum += area((i * depth) / n) * (i % 2 === 1 ? 4 : 2);
    return (sum * depth) / n / 3 / 1e6;
  };
  it('round and square, narrow and wide, to any depth', () => {
    for (const section of ['round', 'square'] as const)
      for (const [top_mm, base_mm, height_mm] of [
        [95, 70, 90],
        [60, 60, 50],
        [40, 120, 300],
      ] as const)
        for (const share of [0.1, 0.33, 1]) {
          const shape = { section, top_mm, base_mm, height_mm };
          const depth = share * height_mm;
          expect(frustum_L(shape, depth) / integrated(shape, depth)).toBeCloseTo(1, 9);
        }
  });
  it('grows with depth by the area at that depth', () => {
    // V'(z) is the area of the slice: differentiated by a mathematics library.
    const dV = derivative('pi / 12 * z * (b^2 + b * (b + s * z) + (b + s * z)^2)', 'z');
    const shape: PotShape = { section: 'round', top_mm: 95, base_mm: 70, height_mm: 90 };
    const slope = dV.evaluate({ b: 70, s: 25 / 90, z: 30 }) as number;
    expect(((frustum_L(shape, 30.001) - frustum_L(shape, 29.999)) / 0.002) * 1e6).toBeCloseTo(slope, 1);
  });
});

describe('plants to keep against a statistics library', () => {
  it('is the fewest with which enough are left as often as asked', () => {
    for (const wanted of [1, 20, 100, 612])
      for (const loss of [0, 0.02, 0.05, 0.2])
        for (const confidence of [0.5, 0.9, 0.99]) {
          const n = keepFor(wanted, loss, confidence);
          const enough = (k: number) => 1 - binomialCdf(wanted - 1, k, 1 - loss);
          expect(enough(n)).toBeGreaterThanOrEqual(confidence - 1e-12);
          if (n > wanted) expect(enough(n - 1)).toBeLessThan(confidence);
          // Losses stay within the quantile of the losses themselves.
          expect(n - wanted).toBeLessThanOrEqual(stdBinomialQuantile(confidence, n, loss) + 1);
        }
  });
});

describe('figures of the trade', () => {
  const pot: Container = {
    id: 1,
    name: '10 cm pot',
    kind: 'pot',
    cells: 1,
    perCarryingTray: 35,
    footprint_slots: 1,
    volume_L: 0.5,
    shape: { section: 'round', top_mm: 95, base_mm: 70, height_mm: 90 },
  };
  it('630 plants fill 18 trays of 35 and take one person 85 minutes', () => {
    // Common practice, no source.
    expect([traysFor(630, pot), perTray(pot)]).toEqual([18, 35]);
    expect(minutesFor(630, 1, paceOf([], 1, 1)).usual).toBeCloseTo(85, 9);
    // 7 to 8 plants a minute.
    expect(paceOf([], 1, 1).perMinute).toBeGreaterThan(7);
    expect(paceOf([], 1, 1).perMinute).toBeLessThan(8);
  });
  it('three centimetres of rich base are about a quarter of a 10 cm pot', () => {
    // Common practice, no source: the bottom third of the height, where the pot is narrow.
    const { base_L, top_L } = layersOf(pot, 30);
    expect(base_L / (base_L + top_L)).toBeGreaterThan(0.2);
    expect(base_L / (base_L + top_L)).toBeLessThan(0.33);
  });
});
