import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cropNamed, crops, steadyPlace } from '../../../../tests/references/library.ts';
import { requireDay } from '../../calendar/dayNumber.ts';
import { daysToEmerge, germinationRate } from '../../germination/germinationRate.ts';
import { degreeDaysOfHours } from '../../growth/growthRate.ts';
import { ruleWeeks, stageSums } from '../../growth/stageSums.ts';
import type { BatchPlan } from '../batchPlan.ts';
import type { Crop } from '../../books/crop.ts';
import type { OffHeatRule } from '../../germination/offHeatRule.ts';
import type { Place } from '../../books/place.ts';
import { backwardChain } from './backward.ts';
import { milestoneOf, noonOf, type Chain, type ChainResult } from './chain.ts';
import { forwardChain } from './forward.ts';
import { outlook } from './outlook.ts';
import { placeClimate } from './placeClimate.ts';
import { ruleOfWeeksSowDay } from './ruleOfWeeks.ts';
import { seasonTables } from './seasonTables.ts';
import { thermalIntegral, timeAfter, timeBefore, totalAt } from './thermalIntegral.ts';
import { progressOffHeat } from './offHeat.ts';

const FROM = requireDay('2026-01-01');
const HALF: OffHeatRule = { kind: 'half-up' };
const FROST = { lastFrost: '05-10', firstFrost: '10-15' };

function planFor(
  crop: Crop,
  places: { germinate: Place; grow: Place; pot: Place; harden: Place },
  transplantOn: number,
): BatchPlan {
  return {
    plantsWanted: 100,
    spare_frac: 0.1,
    transplantOn,
    hardening_days: crop.hardening_days,
    places: {
      germinate: places.germinate.id,
      grow: places.grow.id,
      pot: places.pot.id,
      harden: places.harden.id,
    },
    sowContainerId: 1,
    potContainerId: crop.potted ? 2 : null,
  };
}

function chainOf(result: ChainResult): Chain {
  if (result.kind !== 'chain') throw new Error(`unreachable: ${result.stage} ${result.reason}`);
  return result;
}

describe('the rule of weeks at the reference temperatures', () => {
  it.each(crops.map((crop) => [crop.name, crop] as const))('%s comes ready in its weeks exactly', (_, crop) => {
    const hot = steadyPlace(crop.germBest_C);
    const reference = steadyPlace(crop.growDay_C, crop.growNight_C);
    const tables = seasonTables([hot, reference], FROM, 900);
    const plan = planFor(crop, { germinate: hot, grow: reference, pot: reference, harden: reference }, FROM + 500);
    const sowOn = FROM + 200;
    const forward = chainOf(
      forwardChain({
        crop,
        plan,
        offHeat: HALF,
        tables,
        sowOn,
        facts: {},
        today: null,
        waitForDate: false,
      }),
    );
    expect(forward.ready_t - noonOf(sowOn)).toBeCloseTo(ruleWeeks(crop) * 7, 6);
    const backward = chainOf(backwardChain({ crop, plan, offHeat: HALF, tables }));
    expect(Math.abs(milestoneOf(backward, 'sow')!.day - ruleOfWeeksSowDay(crop, plan))).toBeLessThanOrEqual(1);
  });

  it('a colder house sows sooner than the rule, a warmer house later', () => {
    const tomato = cropNamed('tomato');
    const sowAt = (day_C: number, night_C: number): number => {
      const hot = steadyPlace(26);
      const house = steadyPlace(day_C, night_C);
      const tables = seasonTables([hot, house], FROM, 900);
      const plan = planFor(tomato, { germinate: hot, grow: house, pot: house, harden: house }, FROM + 500);
      const result = outlook({ crop: tomato, plan, offHeat: HALF, tables }, FROST, FROM + 300);
      return result.laterThanRule_days!;
    };
    expect(sowAt(18, 12)).toBeLessThan(-10);
    expect(sowAt(26, 20)).toBeGreaterThan(5);
  });
});

describe('forward against a slow hourly sum', () => {
  it('finds half up and readiness where adding hour by hour finds them', () => {
    const tomato = cropNamed('tomato');
    const warm: Place = {
      ...steadyPlace(24, 20),
      periods: [
        { from: '01-01', day_C: 24, night_C: 19 },
        { from: '03-20', day_C: 27, night_C: 21 },
      ],
    };
    const bench: Place = {
      ...steadyPlace(20, 14),
      periods: [
        { from: '01-01', day_C: 18, night_C: 13 },
        { from: '04-01', day_C: 22, night_C: 15 },
      ],
    };
    const tables = seasonTables([warm, bench], FROM, 900);
    const sowOn = requireDay('2027-03-16');
    const plan = planFor(tomato, { germinate: warm, grow: bench, pot: bench, harden: bench }, requireDay('2027-06-01'));
    const chain = chainOf(
      forwardChain({
        crop: tomato,
        plan,
        offHeat: HALF,
        tables,
        sowOn,
        facts: {},
        today: null,
        waitForDate: false,
      }),
    );

    const rate = germinationRate(tomato);
    const sums = stageSums(tomato, true);
    const climate = (place: Place, t: number): [number, number] => {
      const c = placeClimate(place, Math.floor(t), 1);
      return [c.day_C[0]!, c.night_C[0]!];
    };
    const step = 1 / 24;
    let t = noonOf(sowOn);
    const until = (amount: number, place: Place, gain: (d: number, n: number) => number): void => {
      let sum = 0;
      while (sum < amount) {
        sum += gain(...climate(place, t)) * step;
        t += step;
      }
    };
    until(1, warm, (d, n) => (rate(d) + rate(n)) / 2);
    expect(Math.abs(t - milestoneOf(chain, 'half-up')!.t)).toBeLessThan(2 * step);
    until(sums.pot_degreeDays!, bench, (d, n) => degreeDaysOfHours(tomato, [d, n]));
    expect(Math.abs(t - milestoneOf(chain, 'pot')!.t)).toBeLessThan(4 * step);
    t += 2;
    until(sums.ready_degreeDays - sums.pot_degreeDays!, bench, (d, n) => degreeDaysOfHours(tomato, [d, n]));
    expect(Math.abs(t - chain.ready_t)).toBeLessThan(6 * step);
  });
});

describe('backward and forward', () => {
  it('agree within a day for any crop, date, house and off-heat rule in a warming spring', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...crops),
        fc.integer({ min: 0, max: 180 }),
        fc.double({ min: -2, max: 3, noNaN: true }),
        fc.constantFrom<OffHeatRule>(HALF, { kind: 'all-up' }, { kind: 'days-after', days: 5 }),
        (crop, offset, shift_K, offHeat) => {
          const hot = steadyPlace(crop.germBest_C + shift_K / 2);
          const house: Place = {
            ...steadyPlace(20, 14),
            periods: [
              {
                from: '01-01',
                day_C: crop.growDay_C - 2 + shift_K,
                night_C: crop.growNight_C - 1 + shift_K,
              },
              {
                from: '04-01',
                day_C: crop.growDay_C + shift_K,
                night_C: crop.growNight_C + shift_K,
              },
              {
                from: '06-01',
                day_C: crop.growDay_C + 2 + shift_K,
                night_C: crop.growNight_C + 1 + shift_K,
              },
            ],
          };
          const tables = seasonTables([hot, house], FROM, 900);
          const plan = planFor(
            crop,
            { germinate: hot, grow: house, pot: house, harden: house },
            requireDay('2027-03-15') + offset,
          );
          const back = chainOf(backwardChain({ crop, plan, offHeat, tables }));
          const sown = milestoneOf(back, 'sow')!.day;
          const from = (sowOn: number) =>
            chainOf(forwardChain({ crop, plan, offHeat, tables, sowOn, facts: {}, today: null, waitForDate: false }));
          const forth = from(sown);
          const early = noonOf(plan.transplantOn) - milestoneOf(forth, 'plant')!.t;
          expect(early).toBeGreaterThanOrEqual(-1);
          // Where it grows too hot a day's delay costs more than a day: then the day after would have been too late.
          if (early > 1) expect(milestoneOf(from(sown + 1), 'plant')!.t).toBeGreaterThan(noonOf(plan.transplantOn));
          expect(early).toBeLessThanOrEqual(2);
          const days = forth.milestones.map((m) => m.t);
          expect(days).toEqual([...days].sort((a, b) => a - b));
        },
      ),
      { seed: 11, numRuns: 400 },
    );
  });

  it('reading back by the half-up rule finds what bisection finds (off the heat 0 days after)', () => {
    for (const crop of crops) {
      const hot = steadyPlace(crop.germBest_C);
      const house = {
        ...steadyPlace(19, 13),
        periods: [
          { from: '01-01', day_C: 17, night_C: 13.5 },
          { from: '04-10', day_C: 21, night_C: 15 },
        ],
      };
      const tables = seasonTables([hot, house], FROM, 900);
      const plan = planFor(crop, { germinate: hot, grow: house, pot: house, harden: house }, requireDay('2027-06-15'));
      const halfUp = (offHeat: OffHeatRule) => {
        const result = backwardChain({ crop, plan, offHeat, tables });
        return result.kind === 'chain' ? milestoneOf(result, 'half-up')!.t : null;
      };
      const [read, bisected] = [halfUp(HALF), halfUp({ kind: 'days-after', days: 0 })];
      if (read === null || bisected === null) expect(read).toBe(bisected);
      else expect(read).toBeCloseTo(bisected, 6);
    }
  });

  it('a lot known to be slow comes up later by its factor', () => {
    const tomato = cropNamed('tomato');
    const [hot, house] = [steadyPlace(24), steadyPlace(21, 16)];
    const tables = seasonTables([hot, house], FROM, 900);
    const plan = planFor(tomato, { germinate: hot, grow: house, pot: house, harden: house }, FROM + 500);
    const days = (emergence_factor: number) => {
      const own = { ...plan, emergence_factor };
      const fixed = { crop: tomato, plan: own, offHeat: HALF, tables, facts: {}, today: null, waitForDate: false };
      const chain = chainOf(forwardChain({ ...fixed, sowOn: FROM + 300 }));
      return milestoneOf(chain, 'half-up')!.t - milestoneOf(chain, 'sow')!.t;
    };
    expect(days(1.5) / days(1)).toBeCloseTo(1.5, 6);
    expect(() => days(0)).toThrow('emergence_factor: 0, wanted above 0');
  });

  it('a larger share keeps a tray on the heat longer; half is half up and nine tenths is all up', () => {
    expect(progressOffHeat({ kind: 'share', share_frac: 0.5 })).toBeCloseTo(1, 12);
    expect(progressOffHeat({ kind: 'share', share_frac: 0.9 })).toBeCloseTo(progressOffHeat({ kind: 'all-up' }), 4);
    expect(progressOffHeat({ kind: 'share', share_frac: 0.95 })).toBeGreaterThan(progressOffHeat({ kind: 'all-up' }));
    for (const share_frac of [0.4, 1, NaN])
      expect(() => progressOffHeat({ kind: 'share', share_frac })).toThrow(/share_frac/);
  });

  it('a log replaces its forecast and what follows moves', () => {
    const tomato = cropNamed('tomato');
    const hot = steadyPlace(24);
    const house = steadyPlace(21, 16);
    const tables = seasonTables([hot, house], FROM, 900);
    const plan = planFor(tomato, { germinate: hot, grow: house, pot: house, harden: house }, FROM + 500);
    const run = (facts: object, today: number | null) =>
      chainOf(
        forwardChain({
          crop: tomato,
          plan,
          offHeat: HALF,
          tables,
          sowOn: FROM + 300,
          facts,
          today,
          waitForDate: false,
        }),
      );
    const free = run({}, null);
    const half = milestoneOf(free, 'half-up')!.day;
    const late = run({ sow: FROM + 300, 'half-up': half + 4 }, null);
    expect(late.ready_t - free.ready_t).toBeGreaterThan(3);
    expect(late.ready_t - free.ready_t).toBeLessThan(5);
    expect(milestoneOf(late, 'half-up')!.status).toBe('done');
    const unseen = run({ sow: FROM + 300 }, half + 6);
    expect(milestoneOf(unseen, 'half-up')!).toMatchObject({
      day: half + 6,
      dueOn: half,
      status: 'forecast',
    });
  });
});

describe('what cannot be reached', () => {
  const tomato = cropNamed('tomato');
  const hot = steadyPlace(25);
  const cold = steadyPlace(4);
  const house = steadyPlace(21, 16);
  const tables = seasonTables([hot, cold, house], FROM, 900);
  const today = requireDay('2027-04-12');

  it('says which place would do where the crop never comes up', () => {
    const plan = planFor(tomato, { germinate: cold, grow: house, pot: house, harden: house }, requireDay('2027-06-20'));
    const result = outlook({ crop: tomato, plan, offHeat: HALF, tables }, FROST, today);
    expect(result.plan).toMatchObject({
      kind: 'unreachable',
      stage: 'germinate',
      placeId: cold.id,
    });
    expect(result.wouldDo.map((fit) => fit.placeId)).toEqual([hot.id, house.id]);
  });

  it('says the earliest date still to be had when the date asks for a sowing past', () => {
    const places = { germinate: hot, grow: house, pot: house, harden: house };
    const result = outlook(
      {
        crop: tomato,
        plan: planFor(tomato, places, requireDay('2027-05-01')),
        offHeat: HALF,
        tables,
      },
      FROST,
      today,
    );
    expect(result.warnings.map((w) => w.code)).toContain('past');
    const earliest = result.earliestTransplantOn!;
    const again = outlook(
      {
        crop: tomato,
        plan: planFor(tomato, places, earliest),
        offHeat: HALF,
        tables,
      },
      FROST,
      today,
    );
    expect(again.warnings.map((w) => w.code)).not.toContain('past');
    const sooner = outlook(
      {
        crop: tomato,
        plan: planFor(tomato, places, earliest - 2),
        offHeat: HALF,
        tables,
      },
      FROST,
      today,
    );
    expect(sooner.warnings.map((w) => w.code)).toContain('past');
  });

  it('warns of a date before the frost allows', () => {
    const places = { germinate: hot, grow: house, pot: house, harden: house };
    const result = outlook(
      {
        crop: tomato,
        plan: planFor(tomato, places, requireDay('2028-05-12')),
        offHeat: HALF,
        tables: seasonTables([hot, cold, house], FROM, 1100),
      },
      FROST,
      today,
    );
    const frost = result.warnings.find((w) => w.code === 'frost')!;
    expect(frost.day).toBe(requireDay('2028-05-24'));
  });
});

describe('running totals', () => {
  it('go there and back', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(fc.constant(0), fc.double({ min: 0.01, max: 20, noNaN: true })), {
          minLength: 5,
          maxLength: 60,
        }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0.001, max: 40, noNaN: true }),
        (gains, where, amount) => {
          const integral = thermalIntegral(100, Float64Array.from(gains));
          const start = 100 + where * gains.length;
          const end = timeAfter(integral, start, amount);
          if (end === null) {
            expect(totalAt(integral, 100 + gains.length) - totalAt(integral, start)).toBeLessThan(amount);
            return;
          }
          expect(totalAt(integral, end) - totalAt(integral, start)).toBeCloseTo(amount, 6);
          const back = timeBefore(integral, end, amount)!;
          expect(totalAt(integral, back)).toBeCloseTo(totalAt(integral, start), 6);
        },
      ),
      { seed: 3, numRuns: 500 },
    );
  });
  it('refuses a gain that is not a number', () => {
    expect(() => thermalIntegral(0, Float64Array.from([1, NaN]))).toThrow(/0 or more/);
  });
});

describe('place climate', () => {
  it('carries a period across the new year and steps on its day', () => {
    const place = {
      id: 1,
      name: 'Frame',
      periods: [
        { from: '03-01', day_C: 12, night_C: 4 },
        { from: '11-15', day_C: 6, night_C: 1 },
      ],
    };
    const climate = placeClimate(place, requireDay('2026-12-30'), 90);
    expect(climate.day_C[0]).toBe(6);
    expect(climate.day_C[5]).toBe(6);
    expect(climate.day_C[requireDay('2027-02-28') - requireDay('2026-12-30')]).toBe(6);
    expect(climate.day_C[requireDay('2027-03-01') - requireDay('2026-12-30')]).toBe(12);
    expect(() => placeClimate({ id: 1, name: 'Frame', periods: [] }, 0, 3)).toThrow(/at least one period/);
  });
  it('emerges nowhere at the ends of the range', () => {
    expect(daysToEmerge(germinationRate(cropNamed('tomato')), 5)).toBeNull();
  });
});
