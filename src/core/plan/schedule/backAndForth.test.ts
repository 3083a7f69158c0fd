import { describe, expect, it } from 'vitest';
import { randomChain, tryChain, type ChainTried } from '../../../../tests/support/randomChains.ts';
import { crops } from '../../../../tests/references/library.ts';

describe('back and forth over made-up sites of both hemispheres, leap years and weekly set-points', () => {
  const tried: (ChainTried & { readonly seed: number })[] = [];
  for (let seed = 0; tried.length < 2_000; seed++) {
    const chain = tryChain(randomChain(seed, crops));
    if (chain) tried.push({ ...chain, seed });
  }

  it('a batch sown on the planned day goes out on the day asked for, give or take one', () => {
    expect(tried.filter((t) => t.apart_days > 1)).toEqual([]);
  });

  it('and a day later it would be late', () => {
    expect(tried.filter((t) => !t.last)).toEqual([]);
  });

  it('and the forecast has every milestone on the day of the plan', () => {
    expect(tried.filter((t) => t.milestones_days > 1)).toEqual([]);
  });
});
