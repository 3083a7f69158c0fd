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
