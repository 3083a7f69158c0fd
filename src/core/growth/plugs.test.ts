import { describe, expect, it } from 'vitest';
import { cropNamed } from '../../../tests/references/library.ts';
import type { JoinsAt } from '../plan/batchPlan.ts';
import { daysToEmerge, germinationRate } from '../germination/germinationRate.ts';
import { reference_degreeDays } from './growthRate.ts';
import { growthSaid, learnedGrowth, type GrowthShown } from './learnedGrowth.ts';
import { PLUG_WEEKS_TO_GO, plugGrowth_degreeDays, stageNeeds, usualPlugAge_weeks } from './stageNeeds.ts';
import { POTTING_CHECK_DAYS, ruleWeeks, stageSums, type StageSums } from './stageSums.ts';

const tomato = cropNamed('tomato');
const emerge_days = daysToEmerge(germinationRate(tomato), tomato.germBest_C)!;
const perDay = reference_degreeDays(tomato);

describe('plugs that are bought', () => {
  it('are usually so old that four weeks are left, to half a week, a week past emergence at the least', () => {
    const whole = { ...tomato, weeksLow: 8, weeksHigh: 10, hardening_days: 14 };
    expect(usualPlugAge_weeks(whole)).toBe(9 + 2 - PLUG_WEEKS_TO_GO);
    expect(usualPlugAge_weeks({ ...whole, hardening_days: 9 })).toBe(6.5);
    // Hardened for long, it is no older than the rule of weeks has it.
    expect(usualPlugAge_weeks({ ...whole, hardening_days: 60 })).toBe(9);
    const least = Math.round(2 * (emerge_days / 7 + 1)) / 2;
    expect(usualPlugAge_weeks({ ...whole, weeksLow: 2, weeksHigh: 4, hardening_days: 0 })).toBe(least);
    expect(least).toBeLessThan(3);
  });

  const sums = stageSums(tomato, true);
  const grown = (joins: Partial<JoinsAt>, its: StageSums = sums, crop = tomato) =>
    plugGrowth_degreeDays(crop, its, { stage: 'grow', on: 10, ...joins });

  it('have behind them what their age says, in a house where all takes longer the same share of it', () => {
    expect(grown({ age_weeks: 4 })).toBeCloseTo((28 - emerge_days) * perDay, 9);
    expect(grown({ age_weeks: 4 }, stageSums(tomato, true, 1, 1.5))).toBeCloseTo((28 - emerge_days) * perDay * 1.5, 9);
    expect(grown({})).toBeCloseTo(
      Math.min(sums.ready_degreeDays, (usualPlugAge_weeks(tomato) * 7 - emerge_days) * perDay),
      9,
    );
  });

  it('or their true leaves, two of which are the growth to the pot', () => {
    const atPot = sums.ready_degreeDays * tomato.potAt_frac;
    expect(grown({ leaves_count: 2 })).toBeCloseTo(atPot, 9);
    expect(grown({ leaves_count: 1, age_weeks: 9 })).toBeCloseTo(atPot / 2, 9);
    expect(grown({ leaves_count: null, age_weeks: 4 })).toBeCloseTo((28 - emerge_days) * perDay, 9);
  });

  it('never have less than nothing nor more than all; those for the pot have the growth of that stage, less the check they stand still', () => {
    expect(grown({ age_weeks: 0.5 })).toBe(0);
    expect(grown({ age_weeks: 40 })).toBe(sums.ready_degreeDays);
    expect(grown({ stage: 'pot', age_weeks: 1 })).toBe(sums.pot_degreeDays);
    // A plant of an age stood still when it was pricked out: that is not growth.
    const six = (42 - emerge_days) * perDay;
    expect(grown({ stage: 'pot', age_weeks: 6 })).toBeCloseTo(
      Math.max(sums.pot_degreeDays!, six - POTTING_CHECK_DAYS * perDay),
      9,
    );
    const leek = { ...tomato, potted: false };
    const unpotted = stageSums(leek, false);
    expect(grown({ stage: 'pot', age_weeks: 6 }, unpotted, leek)).toBeCloseTo(six, 9);
    expect(grown({ stage: 'grow', age_weeks: 6 }, sums)).toBeCloseTo(six, 9);
    expect(grown({ stage: 'pot', age_weeks: 1 }, unpotted, leek)).toBeCloseTo(
      unpotted.ready_degreeDays * leek.potAt_frac,
      9,
    );
  });

  it('what is not potted has one stage to grow in', () => {
    const plain = stageSums(tomato, false);
    expect(stageNeeds(plain, 100)).toEqual({ grow: plain.ready_degreeDays - 100, pot: 0, space: 0 });
    expect(stageNeeds(plain, 1e6)).toEqual({ grow: 0, pot: 0, space: 0 });
    expect(ruleWeeks(tomato)).toBeGreaterThan(0);
  });
});

describe('what is seen of growth', () => {
  const sums = stageSums(tomato, true);
  const bare = stageSums(tomato, false);
  const one = (by: GrowthShown['by'], grown_degreeDays: number, leaves: number | null = null): GrowthShown => ({
    by,
    grown_degreeDays,
    leaves,
  });
  const pot = sums.pot_degreeDays!;

  it('first leaves stand for half of the way to the pot, counted ones for their share, up to six', () => {
    expect(growthSaid(sums, [one('true-leaves', pot / 2)])).toEqual({ value: 0, sd: 0.15 });
    expect(growthSaid(sums, [one('leaves', pot, 2)])!.value).toBeCloseTo(0, 12);
    expect(growthSaid(sums, [one('leaves', pot, 1)])!.value).toBeCloseTo(Math.log(2), 12);
    expect(growthSaid(sums, [one('leaves', pot * 3, 9)])!.value).toBeCloseTo(0, 12);
    expect(growthSaid(sums, [one('leaves', pot, 0)])).toBeNull();
    expect(growthSaid(sums, [one('leaves', pot)])).toBeNull();
    expect(growthSaid(sums, [one('not-yet', pot)])).toBeNull();
  });

  it('what a crop that is not potted cannot show says nothing; nor does growth of nothing', () => {
    for (const by of ['true-leaves', 'roots', 'potted', 'touching'] as const)
      expect(growthSaid(bare, [one(by, 100)]), by).toBeNull();
    expect(growthSaid(bare, [one('leaves', 100, 2)])).toBeNull();
    expect(growthSaid(bare, [one('hardened', bare.ready_degreeDays)])).toEqual({ value: 0, sd: 0.25 });
    expect(growthSaid(sums, [one('roots', 0)])).toBeNull();
    expect(growthSaid(sums, [one('roots', NaN)])).toBeNull();
    expect(growthSaid({ ...sums, pot_degreeDays: 0 }, [one('roots', 10)])).toBeNull();
  });

  it('a potting after any of three signs only waited; first leaves alone do not make it so', () => {
    const potted = one('potted', pot * 1.4);
    for (const sign of [one('roots', pot), one('leaves', pot, 2), one('touching', sums.space_degreeDays!)])
      expect(growthSaid(sums, [sign, potted])!.value, sign.by).toBeCloseTo(0, 9);
    expect(growthSaid(sums, [one('true-leaves', pot / 2), potted])!.value).toBeCloseTo(Math.log(1.4) / 2, 9);
  });

  it('is weighed by how well it says it, and bounded', () => {
    const said = growthSaid(sums, [one('roots', pot * 1.2), one('hardened', sums.ready_degreeDays)])!;
    const [a, b] = [1 / 0.08 ** 2, 1 / 0.25 ** 2];
    expect(said.value).toBeCloseTo((Math.log(1.2) * a) / (a + b), 12);
    expect(said.sd).toBeCloseTo((a + b) ** -0.5, 12);
    expect(growthSaid(sums, [one('roots', pot * 100)])!.value).toBe(1.5);
    expect(growthSaid(sums, [one('roots', pot / 100)])!.value).toBe(-1.5);
  });

  it('a house is never thought farther from the book than twice or half', () => {
    const said = (value: number) => Array.from({ length: 25 }, () => ({ value, sd: 0.05, varietyId: 1, placeId: 1 }));
    const target = { varietyId: 1, placeId: 1 };
    expect(learnedGrowth(target, said(1.4)).factor).toBe(2);
    expect(learnedGrowth(target, said(-1.4)).factor).toBe(0.5);
    expect(learnedGrowth(target, [])).toMatchObject({ factor: 1, batches_count: 0, doubted_count: 0 });
  });
});
