import { describe, expect, it } from 'vitest';
import { growthSaid, learnedGrowth, type GrowthShown } from './learnedGrowth.ts';

const sums = {
  pot_degreeDays: 200,
  space_degreeDays: 300,
  ready_degreeDays: 400,
  overAge_degreeDays: 600,
  growth_factor: 1,
};
const shown = (by: GrowthShown['by'], grown_degreeDays: number, leaves: number | null = null): GrowthShown => ({
  by,
  grown_degreeDays,
  leaves,
});
const of = (factor: number, varietyId: number | null = 1, placeId: number | null = 1) => ({
  value: Math.log(factor),
  sd: 0.1,
  varietyId,
  placeId,
});
const target = { varietyId: 1, placeId: 1 };

describe('what a batch says of growth', () => {
  it('is how much it had grown against the book when the stage was seen', () => {
    expect(growthSaid(sums, [shown('roots', 220)])!.value).toBeCloseTo(Math.log(1.1), 12);
    expect(growthSaid(sums, [shown('true-leaves', 90)])!.value).toBeCloseTo(Math.log(0.9), 12);
    expect(growthSaid(sums, [shown('leaves', 300, 3)])!.value).toBeCloseTo(0, 12);
    expect(growthSaid(sums, [shown('hardened', 500)])!.value).toBeCloseTo(Math.log(1.25), 12);
  });

  it('a potting that came long after its sign only waited', () => {
    const both = growthSaid(sums, [shown('roots', 200), shown('potted', 320)]);
    expect(both).toEqual(growthSaid(sums, [shown('roots', 200)]));
    expect(growthSaid(sums, [shown('potted', 320)])!.value).toBeGreaterThan(0.4);
  });

  it('says nothing of what is not potted by its pot, nor from "not yet" or nothing grown', () => {
    expect(growthSaid({ ...sums, pot_degreeDays: null, space_degreeDays: null }, [shown('roots', 200)])).toBeNull();
    expect(growthSaid(sums, [shown('not-yet', 100), shown('potted', 0)])).toBeNull();
  });
});

describe('growth learned', () => {
  it('is the book without batches, and goes to what they show, the surer the more', () => {
    expect(learnedGrowth(target, [])).toMatchObject({ factor: 1, batches_count: 0 });
    const after = [1, 3, 10].map((n) =>
      learnedGrowth(
        target,
        Array.from({ length: n }, () => of(1.2)),
      ),
    );
    expect(after.map((l) => l.factor)).toEqual([...after.map((l) => l.factor)].sort((a, b) => a - b));
    expect(after[2]!.factor).toBeGreaterThan(1.17);
    expect(after[2]!.factor).toBeLessThanOrEqual(1.2);
    expect(after[2]!.sd).toBeLessThan(after[0]!.sd);
  });

  it('a batch that stood still for its own reasons hardly moves it', () => {
    const good = Array.from({ length: 4 }, () => of(1));
    const one = learnedGrowth(target, [...good, of(2.2)]);
    expect(one.factor).toBeLessThan(1.05);
    expect(one.doubted_count).toBe(1);
  });

  it('another variety or place teaches less than its own', () => {
    const own = learnedGrowth(target, [of(1.3)]).factor;
    expect(learnedGrowth(target, [of(1.3, 2)]).factor).toBeLessThan(own);
    expect(learnedGrowth(target, [of(1.3, 1, 2)]).factor).toBeLessThan(own);
  });
});
