import { describe, expect, it } from 'vitest';
import { daysOf, milestoneOf, noonOf, startOf, withKeptDays, type Chain, type Milestone } from './chain.ts';
import { offHeatWords, progressOffHeat } from './offHeat.ts';
import { thermalIntegral, timeAfter, timeBefore, totalAt } from './thermalIntegral.ts';

const milestone = (key: Milestone['key'], day: number): Milestone => ({
  key,
  t: day + 0.3,
  day,
  dueOn: day - 1,
  status: 'planned',
  explanation: { rule: `why ${key}`, inputs: [], source: 'worked out' },
});
const chain: Chain = {
  kind: 'chain',
  milestones: [milestone('sow', 100), milestone('half-up', 108), milestone('plant', 160)],
  ready_t: 150,
  overAge_t: null,
};

describe('a chain', () => {
  it('begins with its first step, finds its steps by name, and gives its days', () => {
    expect(startOf(chain).key).toBe('sow');
    expect(milestoneOf(chain, 'plant')!.day).toBe(160);
    expect(milestoneOf(chain, 'pot')).toBeNull();
    expect(daysOf(chain)).toEqual({ sow: 100, 'half-up': 108, plant: 160 });
    expect(noonOf(100)).toBe(100.5);
  });

  it('keeps the days it was planned by; a step that fell on the same day anyway, or was not kept, is left alone', () => {
    const kept = withKeptDays(chain, { sow: 100, plant: 155 }) as Chain;
    expect(kept.milestones[0]).toBe(chain.milestones[0]);
    expect(kept.milestones[1]).toBe(chain.milestones[1]);
    expect(kept.milestones[2]).toMatchObject({ day: 155, dueOn: 155, t: 155.5, status: 'planned' });
    expect(kept.milestones[2]!.explanation.rule).toMatch(/planned when it was sown/);
    expect(withKeptDays(chain, null)).toBe(chain);
    const none = { kind: 'unreachable', stage: 'grow', placeId: 1, reason: 'cold' } as const;
    expect(withKeptDays(none, { sow: 3 })).toBe(none);
  });
});

describe('the rule off the heat', () => {
  it('half up is at once; a larger share later, by the spread of a log-normal; nine tenths is all up', () => {
    expect(progressOffHeat({ kind: 'half-up' })).toBe(1);
    expect(progressOffHeat({ kind: 'days-after', days: 3 })).toBe(1);
    expect(progressOffHeat({ kind: 'share', share_frac: 0.5 })).toBe(1);
    const shares = [0.5, 0.6, 0.75, 0.9, 0.99].map((share_frac) => progressOffHeat({ kind: 'share', share_frac }));
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(progressOffHeat({ kind: 'all-up' })).toBeCloseTo(shares[3]!, 4);
    // The log of the progress is so many spreads as the share lies above the middle: z(0.75) is 0.674.
    const spread = Math.log(shares[3]!) / 1.2815515655;
    expect(Math.log(shares[2]!) / spread).toBeCloseTo(0.67448975, 6);
  });

  it('refuses shares it cannot go by', () => {
    for (const share_frac of [0.49, 1, NaN, 2])
      expect(() => progressOffHeat({ kind: 'share', share_frac })).toThrow(RangeError);
  });

  it('is told in words, one day or several', () => {
    expect(offHeatWords({ kind: 'days-after', days: 1 })).toBe('1 day after half up.');
    expect(offHeatWords({ kind: 'days-after', days: 2 })).toBe('2 days after half up.');
    expect(offHeatWords({ kind: 'share', share_frac: 0.755 })).toMatch(/^when 76% of those/);
    expect(offHeatWords({ kind: 'all-up' })).toMatch(/90%/);
    expect(offHeatWords({ kind: 'half-up' })).toMatch(/half are up/);
  });
});

describe('running totals', () => {
  const total = thermalIntegral(100, Float64Array.of(2, 0, 4, 0, 0, 1));

  it('run straight within a day and are held at both ends', () => {
    expect([99, 100, 100.5, 101, 101.7, 102.25, 103, 105.5, 106, 200].map((t) => totalAt(total, t))).toEqual([
      0, 0, 1, 2, 2, 3, 6, 6.5, 7, 7,
    ]);
  });

  it('say when so much more is reached: the first time it is', () => {
    expect(timeAfter(total, 100, 1)).toBe(100.5);
    expect(timeAfter(total, 100, 2)).toBe(101);
    expect(timeAfter(total, 100, 3)).toBe(102.25);
    expect(timeAfter(total, 101.5, 4)).toBe(103);
    expect(timeAfter(total, 100, 7)).toBe(106);
    expect(timeAfter(total, 103, 0)).toBe(103);
    expect(timeAfter(total, 100, 7.01)).toBeNull();
    // Nothing is known of what was gained before they begin.
    expect(timeAfter(total, 99, 1)).toBeNull();
  });

  it('say from when so much is still gained: the last time it is', () => {
    expect(timeBefore(total, 103, 2)).toBe(102.5);
    expect(timeBefore(total, 103, 4)).toBe(102);
    expect(timeBefore(total, 105, 6)).toBe(100);
    expect(timeBefore(total, 105, 5)).toBe(100.5);
    expect(timeBefore(total, 103, 0)).toBe(103);
    // On days on which nothing is gained, as late as can be, but not after the end.
    expect(timeBefore(total, 106, 1)).toBe(105);
    expect(timeBefore(total, 104.5, 1e-12)).toBeCloseTo(103, 9);
    expect(timeBefore(total, 103, 6.01)).toBeNull();
  });

  it('forward and back again is the same moment wherever something is gained', () => {
    for (let t = 102.05; t < 103; t += 0.1) {
      const amount = totalAt(total, t) - totalAt(total, 100.3);
      expect(timeAfter(total, 100.3, amount)).toBeCloseTo(t, 9);
      expect(timeBefore(total, t, amount)).toBeCloseTo(100.3, 9);
    }
  });
});
