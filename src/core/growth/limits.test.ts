import { describe, expect, it } from 'vitest';
import type { Crop } from '../books/crop.ts';
import { cropNamed } from '../../../tests/references/library.ts';
import { daysToEmerge, germinationRate } from '../germination/germinationRate.ts';
import {
  bandFaults,
  bandsOf,
  coldestNight_C,
  isTender,
  mayStandIn,
  openAirFrom,
  usualBands,
  type BandFigures,
} from './bands.ts';
import { boltRisks, type BoltDay, type BoltTraits } from './bolting.ts';
import { degreeDaysOfHours, growthAt_degreeDays, lightFactor, reference_degreeDays } from './growthRate.ts';
import { growthSaid, learnedGrowth } from './learnedGrowth.ts';
import { leggyOnHeat } from './leggy.ts';
import { grownAtPotting_degreeDays, stageNeeds } from './stageNeeds.ts';
import { stageDays } from './stageDays.ts';
import { POTTING_CHECK_DAYS, ruleWeeks, stageSums, type StageSums } from './stageSums.ts';

const traits = { base_C: 5, growOptimum_C: 25, growCeiling_C: 35 };

describe('growth by temperature and light', () => {
  it('nothing at the base, all that lies above it to the optimum, falling to nothing at the ceiling', () => {
    const at = (t: number) => growthAt_degreeDays(traits, t);
    expect([at(4), at(5), at(6), at(25)]).toEqual([0, 0, 1, 20]);
    // Rise 20, fall 10: half way down it is 20 x 0.5 x (25/20)^2.
    expect(at(30)).toBeCloseTo(20 * 0.5 * 1.25 ** 2, 12);
    expect([at(35), at(40), at(NaN)]).toEqual([0, 0, 0]);
    expect(degreeDaysOfHours(traits, [10, 10, 20])).toBeCloseTo(25 / 3, 12);
    expect(degreeDaysOfHours(traits, [20, 10, 20])).toBeCloseTo(35 / 3, 12);
    expect(degreeDaysOfHours(traits, [])).toBe(0);
    expect(reference_degreeDays({ ...traits, growDay_C: 20, growNight_C: 12 })).toBe(11);
  });
  it('light is one at the crop’s good light, nothing in the dark', () => {
    expect(lightFactor(12, 12)).toBeCloseTo(1, 12);
    expect(lightFactor(6, 12)).toBeCloseTo(1 / 1.2, 12);
    expect(lightFactor(0, 12)).toBe(0);
    expect(lightFactor(-1, 12)).toBe(0);
    expect(lightFactor(0.01, 12)).toBeGreaterThan(0);
  });
  it('stretching on the heat is asked from two days after half up, by light over warmth', () => {
    const at = (more: object) => leggyOnHeat({ light_mol_m2: 1, mean_C: 24, base_C: 8, daysSinceHalfUp: 2, ...more });
    expect(at({ daysSinceHalfUp: 1 })).toBeNull();
    expect(at({ daysSinceHalfUp: NaN })).toBeNull();
    expect(at({})).toMatchObject({ days: 2, leggy: true, light_mol_m2: 1 });
    expect(at({ light_mol_m2: 40 })!.leggy).toBe(false);
    expect(at({ mean_C: 7 })).toMatchObject({ ratio: null, leggy: false });
  });
});

describe('what the stages need', () => {
  const tomato = cropNamed('tomato');
  const emerge_days = daysToEmerge(germinationRate(tomato), tomato.germBest_C)!;
  const perDay = reference_degreeDays(tomato);
  it('gives back the rule of weeks at the reference temperatures, times what is learned and the size wanted', () => {
    const grow_days = ruleWeeks(tomato) * 7 - emerge_days - POTTING_CHECK_DAYS;
    const plain = stageSums(tomato, true);
    expect(plain.ready_degreeDays).toBeCloseTo(grow_days * perDay, 9);
    expect(plain.pot_degreeDays).toBeCloseTo(grow_days * perDay * tomato.potAt_frac, 9);
    expect(plain.space_degreeDays).toBeCloseTo((plain.pot_degreeDays! + plain.ready_degreeDays) / 2, 9);
    const spare = ((tomato.weeksHigh - tomato.weeksLow) / 2 + 2) * 7 * perDay;
    expect(plain.overAge_degreeDays).toBeCloseTo(plain.ready_degreeDays + spare, 9);
    const slow = stageSums(tomato, true, 1, 1.3);
    expect(slow.ready_degreeDays).toBeCloseTo(1.3 * plain.ready_degreeDays, 9);
    expect(slow.overAge_degreeDays).toBeCloseTo(1.3 * plain.overAge_degreeDays, 9);
    const young = stageSums(tomato, true, 0.5);
    expect(young.ready_degreeDays).toBeCloseTo(plain.ready_degreeDays / 2, 9);
    expect(young.pot_degreeDays).toBeCloseTo(Math.min(plain.pot_degreeDays!, 0.8 * young.ready_degreeDays), 9);
    expect(young.overAge_degreeDays).toBeCloseTo(plain.overAge_degreeDays, 9);
    const large = stageSums(tomato, true, 1.4);
    expect(large.overAge_degreeDays).toBeCloseTo(1.4 * plain.ready_degreeDays + spare, 9);
    expect(stageSums(tomato, false)).toMatchObject({ pot_degreeDays: null, space_degreeDays: null });
  });
  it('what cannot be is refused by name', () => {
    expect(() => stageSums({ ...tomato, growDay_C: 0, growNight_C: 0 } as Crop, true)).toThrow(/does not grow/);
    expect(() => stageSums({ ...tomato, weeksLow: 0.5, weeksHigh: 0.5 } as Crop, true)).toThrow(/no time/);
    expect(() => stageSums({ ...tomato, germBest_C: tomato.germMax_C + 10, emergence: [] } as Crop, true)).toThrow(
      RangeError,
    );
  });
  const sums: StageSums = {
    ready_degreeDays: 600,
    pot_degreeDays: 200,
    space_degreeDays: 400,
    overAge_degreeDays: 900,
    growth_factor: 1,
  };
  it('late for its pot a plant grows on at half, and never beyond half of the way', () => {
    expect(grownAtPotting_degreeDays(sums, 150)).toBe(150);
    expect(grownAtPotting_degreeDays(sums, 200)).toBe(200);
    expect(grownAtPotting_degreeDays(sums, 300)).toBe(250);
    expect(grownAtPotting_degreeDays(sums, 2000)).toBe(400);
    expect(grownAtPotting_degreeDays(sums, 400, 300)).toBe(350);
    expect(() => grownAtPotting_degreeDays({ ...sums, pot_degreeDays: null }, 100)).toThrow(RangeError);
  });
  it('each stage what is left of it', () => {
    expect(stageNeeds(sums, 50)).toEqual({ grow: 150, pot: 200, space: 200 });
    expect(stageNeeds(sums, 300)).toEqual({ grow: 0, pot: 150, space: 200 });
    expect(stageNeeds(sums, 5000)).toEqual({ grow: 0, pot: 0, space: 200 });
    expect(stageNeeds({ ...sums, pot_degreeDays: null, space_degreeDays: null }, 50)).toEqual({
      grow: 550,
      pot: 0,
      space: 0,
    });
    expect(stageNeeds({ ...sums, pot_degreeDays: null, space_degreeDays: null }, 700).grow).toBe(0);
  });
  it('days in a run of hours, begun again when it runs out, with the stand-still after potting', () => {
    const own = { ...tomato, ...traits, dliGood: 12 } as Crop;
    const steady = stageDays(own, new Array(24).fill(15), 12, true);
    expect(steady.firstDay_degreeDays).toBe(10);
    expect(steady.light_factor).toBeCloseTo(1, 12);
    expect(steady.pot_days).toBeCloseTo(steady.sums.pot_degreeDays! / 10, 9);
    expect(steady.ready_days).toBeCloseTo(steady.sums.ready_degreeDays / 10 + POTTING_CHECK_DAYS, 9);
    const dim = stageDays(own, new Array(24).fill(15), 6, false);
    expect(dim.pot_days).toBeNull();
    expect(dim.ready_days).toBeCloseTo((dim.sums.ready_degreeDays / 10) * 1.2, 9);
    const two = stageDays(own, [...new Array(24).fill(15), ...new Array(24).fill(5)], 12, false);
    expect(two.ready_days! / (two.sums.ready_degreeDays / 10)).toBeCloseTo(2, 1);
    expect(stageDays(own, new Array(24).fill(3), 12, true)).toMatchObject({ pot_days: null, ready_days: null });
    expect(() => stageDays(own, new Array(25).fill(15), 12)).toThrow(/24/);
    expect(() => stageDays(own, [], 12)).toThrow(/24/);
  });
});

describe('the bands of a stage', () => {
  const crop: BandFigures = {
    hardiness: 'tender',
    germMin_C: 10,
    germBest_C: 25,
    germMax_C: 35,
    base_C: 8,
    growNight_C: 16,
    comfortNight_C: 14,
    comfortDay_C: 26,
    checkNight_C: null,
    plantNightMin_C: 10,
    bands: {},
  };
  it('follow from the crop where nothing of its own is set', () => {
    expect(usualBands(crop, 'germinate')).toEqual({
      bearsLow_C: 10,
      bearsHigh_C: 35,
      comfortLow_C: 14.5,
      comfortHigh_C: 32,
      checkNight_C: null,
    });
    expect(usualBands(crop, 'grow')).toEqual({
      bearsLow_C: 8,
      bearsHigh_C: 35,
      comfortLow_C: 14,
      comfortHigh_C: 26,
      checkNight_C: 10,
    });
    expect(usualBands(crop, 'harden')).toEqual({
      bearsLow_C: 4,
      bearsHigh_C: 35,
      comfortLow_C: 7,
      comfortHigh_C: 35,
      checkNight_C: null,
    });
    expect(usualBands({ ...crop, growNight_C: 12 }, 'pot').bearsLow_C).toBe(6);
    expect(usualBands({ ...crop, base_C: 2, growNight_C: 5 }, 'pot').bearsLow_C).toBe(4);
    expect(usualBands({ ...crop, checkNight_C: 12 }, 'grow').checkNight_C).toBe(12);
    expect(usualBands({ ...crop, comfortNight_C: 3, comfortDay_C: 40 }, 'grow')).toMatchObject({
      comfortLow_C: 8,
      comfortHigh_C: 35,
    });
    const hardy = { ...crop, hardiness: 'hardy' } as const;
    expect(usualBands(hardy, 'grow').checkNight_C).toBeNull();
    expect(usualBands(hardy, 'harden')).toMatchObject({ bearsLow_C: -4, comfortLow_C: -4 });
    expect(usualBands({ ...crop, hardiness: 'tropical' }, 'harden')).toMatchObject({ bearsLow_C: 8, comfortLow_C: 8 });
    expect(
      (['hardy', 'half-hardy', 'tender', 'tropical'] as const).map((hardiness) => isTender({ hardiness })),
    ).toEqual([false, false, true, true]);
  });
  it('the grower’s own figures stand before them, those left open do not', () => {
    const own = { ...crop, bands: { grow: { comfortLow_C: 12, bearsLow_C: undefined } } } as BandFigures;
    expect(bandsOf(own, 'grow')).toEqual({ ...usualBands(crop, 'grow'), comfortLow_C: 12 });
    expect(bandsOf(own, 'pot')).toEqual(usualBands(crop, 'pot'));
    expect(coldestNight_C(bandsOf(crop, 'grow'))).toBe(10);
    expect(coldestNight_C({ ...bandsOf(crop, 'grow'), checkNight_C: 6 })).toBe(8);
    expect(coldestNight_C(bandsOf(crop, 'harden'))).toBe(4);
  });
  it('what contradicts itself is named, on the mark as well', () => {
    const good = { bearsLow_C: 5, bearsHigh_C: 35, comfortLow_C: 10, comfortHigh_C: 25, checkNight_C: 8 };
    const faults = (more: object) => bandFaults({ ...good, ...more }).map(({ figure }) => figure);
    expect(faults({})).toEqual([]);
    expect(faults({ bearsHigh_C: 5, comfortHigh_C: 5, comfortLow_C: 5, checkNight_C: null })).toEqual([
      'bearsHigh_C',
      'comfortHigh_C',
    ]);
    expect(faults({ comfortLow_C: 25 })).toEqual(['comfortHigh_C']);
    expect(faults({ comfortLow_C: 4.9 })).toEqual(['comfortLow_C']);
    expect(faults({ comfortLow_C: 5 })).toEqual([]);
    expect(faults({ comfortHigh_C: 35 })).toEqual([]);
    expect(faults({ comfortHigh_C: 35.1 })).toEqual(['comfortHigh_C']);
    expect(faults({ checkNight_C: 25 })).toEqual(['checkNight_C']);
    expect(faults({ checkNight_C: 24.9 })).toEqual([]);
    expect(faults({ checkNight_C: null })).toEqual([]);
  });
  it('in the open air: hardy from sowing, half-hardy from spacing, others to harden, or as the book says', () => {
    expect(openAirFrom({ hardiness: 'hardy', openAirFrom: null })).toBe('germinate');
    expect(openAirFrom({ hardiness: 'half-hardy', openAirFrom: null })).toBe('space');
    expect(openAirFrom({ hardiness: 'tropical', openAirFrom: null })).toBe('harden');
    expect(openAirFrom({ hardiness: 'tropical', openAirFrom: 'pot' })).toBe('pot');
    const tender = { hardiness: 'tender', openAirFrom: null } as const;
    expect(mayStandIn('bench', 'germinate', tender)).toBe(true);
    expect(mayStandIn('frame', 'space', tender)).toBe(false);
    expect(mayStandIn('ground', 'harden', tender)).toBe(true);
    expect(mayStandIn('frame', 'space', { hardiness: 'half-hardy', openAirFrom: null })).toBe(true);
  });
});

describe('running to flower, on its marks', () => {
  const crop: BoltTraits = {
    boltCold_C: 11,
    boltCold_days: 10,
    boltWarm_C: null,
    boltWarm_days: null,
    boltDay_h: null,
  };
  const days = (n: number, of: (i: number) => Partial<BoltDay>): BoltDay[] =>
    Array.from({ length: n }, (_, i) => ({
      day: 1000 + i,
      day_C: 14,
      night_C: 10,
      grown_frac: 0.5,
      out: false,
      ...of(i),
    }));
  const cold = (n: number, more: Partial<BoltDay> = {}) =>
    boltRisks(
      crop,
      days(30, (i) => (i < n ? { day_C: 12, night_C: 9.8, ...more } : {})),
      52,
    )[0];
  it('cold under its line past its youth: possible from six tenths, likely at all of it', () => {
    expect(cold(5)).toBeUndefined();
    expect(cold(6)).toMatchObject({ figure: 6, level: 'possible', from: 1000, line: 11, of: 10 });
    expect(cold(9)).toMatchObject({ level: 'possible' });
    expect(cold(10)).toMatchObject({ level: 'likely' });
    expect(cold(10, { night_C: 10 })).toBeUndefined();
    expect(cold(10, { grown_frac: 0.25 })).toMatchObject({ figure: 10 });
    expect(cold(10, { grown_frac: 0.24 })).toBeUndefined();
  });
  it('a day of eighteen on the mean takes a cold one back, one below does not, and never below none', () => {
    const mixed = (warm: number) =>
      boltRisks(
        crop,
        days(16, (i) =>
          i < 4
            ? { day_C: warm, night_C: warm }
            : i < 10
              ? { day_C: 11, night_C: 9 }
              : i < 12
                ? { day_C: warm, night_C: warm }
                : { day_C: 11, night_C: 9 },
        ),
        52,
      )[0];
    expect(mixed(18)).toMatchObject({ figure: 8, from: 1004 });
    expect(mixed(17.9)).toMatchObject({ figure: 10 });
  });
  it('a trait the book does not give says nothing', () => {
    const all = days(30, () => ({ day_C: 8, night_C: 4 }));
    expect(boltRisks({ ...crop, boltCold_C: null }, all, 52)).toEqual([]);
    expect(boltRisks({ ...crop, boltCold_days: null }, all, 52)).toEqual([]);
    const warm = { ...crop, boltCold_C: null, boltWarm_C: 25, boltWarm_days: 5 };
    const hot = (n: number, day_C: number) =>
      boltRisks(
        warm,
        days(10, (i) => (i < n ? { day_C } : {})),
        52,
      )[0];
    expect(hot(3, 25.1)).toMatchObject({ cause: 'warm', figure: 3, level: 'possible', from: 1000 });
    expect(hot(2, 25.1)).toBeUndefined();
    expect(hot(5, 25)).toBeUndefined();
    expect(hot(5, 26)).toMatchObject({ level: 'likely' });
    expect(
      boltRisks(
        { ...warm, boltWarm_C: null },
        days(10, () => ({ day_C: 40 })),
        52,
      ),
    ).toEqual([]);
    expect(
      boltRisks(
        { ...warm, boltWarm_days: null },
        days(10, () => ({ day_C: 40 })),
        52,
      ),
    ).toEqual([]);
    expect(boltRisks({ ...crop, boltDay_h: 10 }, [], 52)).toEqual([]);
    expect(
      boltRisks(
        { ...crop, boltDay_h: 30 },
        days(2, () => ({})),
        52,
      ),
    ).toEqual([]);
    expect(
      boltRisks(
        { ...crop, boltDay_h: 1 },
        days(2, () => ({})),
        52,
      ),
    ).toMatchObject([{ cause: 'long days', from: 1001 }]);
  });
});

describe('what a batch says of growth', () => {
  const sums: StageSums = {
    ready_degreeDays: 600,
    pot_degreeDays: 200,
    space_degreeDays: 400,
    overAge_degreeDays: 900,
    growth_factor: 1,
  };
  const said = (...shown: [Parameters<typeof growthSaid>[1][number]['by'], number, (number | null)?][]) =>
    growthSaid(
      sums,
      shown.map(([by, grown_degreeDays, leaves]) => ({ by, grown_degreeDays, leaves: leaves ?? null })),
    );
  it('each sign against the growth it stands for', () => {
    const value = (...of: Parameters<typeof said>) => said(...of)?.value ?? null;
    expect(value(['true-leaves', 100])).toBeCloseTo(0, 12);
    expect(value(['roots', 240])).toBeCloseTo(Math.log(1.2), 12);
    expect(value(['potted', 240])).toBeCloseTo(Math.log(1.2), 12);
    expect(value(['touching', 400])).toBeCloseTo(0, 12);
    expect(value(['hardened', 660])).toBeCloseTo(Math.log(1.1), 12);
    expect(value(['planted', 660])).toBeCloseTo(Math.log(1.1), 12);
    expect(value(['leaves', 100, 1])).toBeCloseTo(0, 12);
    expect(value(['leaves', 600, 9])).toBeCloseTo(0, 12);
    expect(value(['leaves', 100, 0])).toBeNull();
    expect(value(['leaves', 100])).toBeNull();
    expect(value(['not-yet', 100])).toBeNull();
    expect(value(['roots', 0])).toBeNull();
    expect(value(['roots', 1e9])).toBe(1.5);
    expect(value(['roots', 1e-9])).toBe(-1.5);
    expect(
      growthSaid({ ...sums, pot_degreeDays: null }, [{ by: 'leaves', grown_degreeDays: 100, leaves: 2 }]),
    ).toBeNull();
    expect(
      growthSaid({ ...sums, pot_degreeDays: null }, [{ by: 'true-leaves', grown_degreeDays: 100, leaves: null }]),
    ).toBeNull();
    expect(
      growthSaid({ ...sums, pot_degreeDays: 0 }, [{ by: 'roots', grown_degreeDays: 100, leaves: null }]),
    ).toBeNull();
  });
  it('a potting after a sign says nothing more, and several signs are weighed together', () => {
    expect(said(['roots', 240], ['potted', 400])).toEqual(said(['roots', 240]));
    expect(said(['true-leaves', 100], ['potted', 240])!.value).toBeGreaterThan(0);
    const [one, two] = [said(['roots', 240])!, said(['roots', 240], ['hardened', 720])!];
    expect(two.sd).toBeLessThan(one.sd);
    expect(two.value).toBeCloseTo(Math.log(1.2), 9);
  });
  it('is learned from the latest thirty, never farther than twice the book', () => {
    const of = (n: number, factor: number) =>
      Array.from({ length: n }, () => ({ value: Math.log(factor), sd: 0.1, varietyId: 1, placeId: 2 }));
    const target = { varietyId: 1, placeId: 2 };
    expect(learnedGrowth(target, of(12, 1.25)).factor).toBeCloseTo(1.25, 1);
    expect(learnedGrowth(target, of(30, 6)).factor).toBe(2);
    expect(learnedGrowth(target, of(30, 0.1)).factor).toBe(0.5);
    expect(learnedGrowth(target, [...of(40, 0.7), ...of(30, 1.25)]).factor).toBe(
      learnedGrowth(target, of(30, 1.25)).factor,
    );
    expect(learnedGrowth(target, of(40, 1.1)).batches_count).toBe(40);
    expect(learnedGrowth(target, [])).toMatchObject({ factor: 1, batches_count: 0, doubted_count: 0 });
    expect(learnedGrowth(target, [...of(12, 1), ...of(1, 3)]).doubted_count).toBe(1);
  });
});
