import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cropNamed, crops, steadyPlace } from '../../../../tests/references/library.ts';
import { requireDay } from '../../calendar/dayNumber.ts';
import { daysToEmerge, germinationRate } from '../../germination/germinationRate.ts';
import { stageSums } from '../../growth/stageSums.ts';
import type { BatchPlan, PlannedSteps } from '../batchPlan.ts';
import type { Crop } from '../../books/crop.ts';
import type { OffHeatRule } from '../../germination/offHeatRule.ts';
import type { WorkKey } from '../stage.ts';
import { backwardChain } from './backward.ts';
import { milestoneOf, startOf, type Chain, type ChainResult } from './chain.ts';
import { forwardChain, type Facts } from './forward.ts';
import { plannedChain } from './plannedChain.ts';
import { seasonTables } from './seasonTables.ts';

const FROM = requireDay('2026-01-01');
const HALF: OffHeatRule = { kind: 'half-up' };
const hot = steadyPlace(25);
const house = steadyPlace(21, 15);
const cool = steadyPlace(15, 9);
const tables = seasonTables([hot, house, cool], FROM, 900);
const tomato = cropNamed('tomato');

const planOf = (crop: Crop, extra: Partial<BatchPlan> = {}): BatchPlan => ({
  plantsWanted: 100,
  spare_frac: 0.1,
  transplantOn: FROM + 500,
  hardening_days: crop.hardening_days,
  places: { germinate: hot.id, grow: house.id, pot: house.id, harden: house.id },
  sowContainerId: 1,
  potContainerId: crop.potted ? 2 : null,
  ...extra,
});
const chainOf = (result: ChainResult): Chain => {
  if (result.kind !== 'chain') throw new Error(`${result.stage}: ${result.reason}`);
  return result;
};
const forecast = (plan: BatchPlan, facts: Facts = {}, today: number | null = null, crop = tomato): Chain =>
  chainOf(
    forwardChain({
      crop,
      plan,
      offHeat: HALF,
      tables,
      sowOn: plan.steps?.sow ?? FROM + 400,
      facts,
      today,
      waitForDate: true,
    }),
  );
const dayOf = (chain: Chain, key: WorkKey): number => milestoneOf(chain, key)!.day;

describe('days named for the work', () => {
  it('hold back what is ready sooner, and not what is ready later', () => {
    const free = forecast(planOf(tomato));
    const later = forecast(planOf(tomato, { steps: { pot: dayOf(free, 'pot') + 5 } }));
    expect(dayOf(later, 'pot')).toBe(dayOf(free, 'pot') + 5);
    expect(dayOf(later, 'space')).toBeGreaterThan(dayOf(free, 'space'));
    const sooner = forecast(planOf(tomato, { steps: { pot: dayOf(free, 'pot') - 5 } }));
    expect(sooner.milestones.map((m) => m.day)).toEqual(free.milestones.map((m) => m.day));
  });

  it('are kept by the forecast whenever each is no sooner than the plants allow: any crop, any delays', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...crops.filter((crop) => daysToEmerge(germinationRate(crop), 25) !== null)),
        fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 6, maxLength: 6 }),
        (crop, delays) => {
          const steps: Partial<Record<WorkKey, number>> = { sow: FROM + 380 };
          const plan = planOf(crop, { transplantOn: FROM + 300, hardening_days: 0 });
          const keys: readonly WorkKey[] = crop.potted
            ? ['off-heat', 'pot', 'space', 'harden', 'plant']
            : ['off-heat', 'harden', 'plant'];
          keys.forEach((key, i) => {
            // The first day whose noon lies at or after readiness, and some days of waiting.
            const chain = forecast({ ...plan, steps: steps as PlannedSteps }, {}, null, crop);
            const ready = milestoneOf(chain, key)!.t;
            steps[key] = Math.ceil(ready - 0.5 - 1e-9) + delays[i]!;
          });
          const chain = forecast({ ...plan, steps: steps as PlannedSteps }, {}, null, crop);
          for (const key of keys) expect(milestoneOf(chain, key)!.day, `${crop.name} ${key}`).toBe(steps[key]);
        },
      ),
      { seed: 31, numRuns: 150 },
    );
  });

  it('say so in the reason, and a log has the last word', () => {
    const free = forecast(planOf(tomato));
    const steps = { pot: dayOf(free, 'pot') + 4 };
    const planned = forecast(planOf(tomato, { steps }));
    expect(milestoneOf(planned, 'pot')!.explanation.rule).toContain('Planned for this day');
    const logged = forecast(planOf(tomato, { steps }), { sow: FROM + 400, pot: dayOf(free, 'pot') + 1 });
    expect(dayOf(logged, 'pot')).toBe(dayOf(free, 'pot') + 1);
  });

  it('a planned sowing day begins the plan forward; without one it is read back from the date', () => {
    const plan = planOf(tomato);
    const back = chainOf(plannedChain({ crop: tomato, plan, offHeat: HALF, tables }));
    expect(back.milestones.map((m) => m.day)).toEqual(
      chainOf(backwardChain({ crop: tomato, plan, offHeat: HALF, tables })).milestones.map((m) => m.day),
    );
    const sow = startOf(back).day - 10;
    const forward = chainOf(plannedChain({ crop: tomato, plan: { ...plan, steps: { sow } }, offHeat: HALF, tables }));
    expect(startOf(forward).day).toBe(sow);
    expect(forward.milestones.every((m) => m.status === 'planned')).toBe(true);
    expect(dayOf(forward, 'plant')).toBe(plan.transplantOn);
  });
});

describe('spaced out in another place', () => {
  it('grows on there: a cooler one makes it later, the same one changes nothing', () => {
    const same = forecast(planOf(tomato, { transplantOn: FROM + 300 }));
    const named = forecast(
      planOf(tomato, {
        transplantOn: FROM + 300,
        places: { germinate: hot.id, grow: house.id, pot: house.id, space: house.id, harden: house.id },
      }),
    );
    expect(named.milestones.map((m) => m.t)).toEqual(same.milestones.map((m) => m.t));
    const cooler = forecast(
      planOf(tomato, {
        transplantOn: FROM + 300,
        places: { germinate: hot.id, grow: house.id, pot: house.id, space: cool.id, harden: house.id },
      }),
    );
    expect(dayOf(cooler, 'space')).toBe(dayOf(same, 'space'));
    expect(cooler.ready_t).toBeGreaterThan(same.ready_t + 3);
  });

  it('backward and forward agree there as well', () => {
    for (const crop of crops.filter((c) => c.potted)) {
      const plan = planOf(crop, {
        places: { germinate: hot.id, grow: house.id, pot: house.id, space: cool.id, harden: house.id },
      });
      const back = backwardChain({ crop, plan, offHeat: HALF, tables });
      if (back.kind !== 'chain') continue;
      const forth = chainOf(
        forwardChain({
          crop,
          plan,
          offHeat: HALF,
          tables,
          sowOn: startOf(back).day,
          facts: {},
          today: null,
          waitForDate: false,
        }),
      );
      expect(Math.abs(forth.ready_t - (plan.transplantOn - plan.hardening_days + 0.5)), crop.name).toBeLessThanOrEqual(
        1,
      );
    }
  });
});

describe('plugs bought in', () => {
  const joined = (joins: Omit<NonNullable<BatchPlan['joins']>, 'on'>, crop = tomato, on = FROM + 400) =>
    forecast(planOf(crop, { transplantOn: FROM + 300, joins: { ...joins, on } }), {}, null, crop);

  it('begin on the day they come; ready for the pot they are potted that day, and nearer their date', () => {
    const young = joined({ stage: 'grow', age_weeks: 2 });
    expect(startOf(young)).toMatchObject({ key: 'arrive', day: FROM + 400 });
    expect(milestoneOf(young, 'sow')).toBeNull();
    const ready = joined({ stage: 'pot' });
    expect(dayOf(ready, 'pot')).toBe(FROM + 400);
    expect(ready.ready_t).toBeLessThan(young.ready_t);
  });

  it('grow on from their age: a plug of six weeks as a batch sown here six weeks before', () => {
    const reference = (crop: Crop) => steadyPlace(crop.growDay_C, crop.growNight_C);
    for (const crop of crops.filter((c) => !c.potted)) {
      const warm = steadyPlace(crop.germBest_C);
      const place = reference(crop);
      const own = seasonTables([warm, place], FROM, 900);
      const places = { germinate: warm.id, grow: place.id, pot: place.id, harden: place.id };
      const run = (plan: BatchPlan, sowOn: number) =>
        chainOf(
          forwardChain({ crop, plan, offHeat: HALF, tables: own, sowOn, facts: {}, today: null, waitForDate: false }),
        );
      const sown = run(planOf(crop, { places }), FROM + 300);
      const age_weeks = Math.floor((crop.weeksLow + crop.weeksHigh) / 2) - 1;
      const bought = run(
        planOf(crop, { places, joins: { stage: 'grow', on: FROM + 300 + 7 * age_weeks, age_weeks } }),
        0,
      );
      expect(Math.abs(bought.ready_t - sown.ready_t), crop.name).toBeLessThan(0.01);
    }
  });

  it('celery plugs have about four weeks to go, and no crop more: common practice, no source', () => {
    for (const crop of crops) {
      const place = steadyPlace(crop.growDay_C, crop.growNight_C);
      const own = seasonTables([place], FROM, 900);
      const places = { germinate: place.id, grow: place.id, pot: place.id, harden: place.id };
      const plan = planOf(crop, { places, transplantOn: FROM + 300, joins: { stage: 'grow', on: FROM + 400 } });
      const chain = chainOf(
        forwardChain({ crop, plan, offHeat: HALF, tables: own, sowOn: 0, facts: {}, today: null, waitForDate: false }),
      );
      const weeks = (dayOf(chain, 'plant') - FROM - 400) / 7;
      expect(weeks, crop.name).toBeLessThanOrEqual(4.5);
      if (crop.name === 'celery') expect(weeks).toBeGreaterThanOrEqual(3.5);
    }
  });

  it('by their true leaves where those are said', () => {
    const [two, four] = [2, 4].map((leaves_count) => joined({ stage: 'grow', leaves_count }));
    expect(four!.ready_t).toBeLessThan(two!.ready_t);
  });
});

describe('potted on another day than the plants allow', () => {
  const free = forecast(planOf(tomato, { transplantOn: FROM + 300 }));
  const off = milestoneOf(free, 'off-heat')!.day;
  const readyWhenPotted = (late_days: number) =>
    forecast(planOf(tomato, { transplantOn: FROM + 300 }), {
      sow: FROM + 400,
      'off-heat': off,
      pot: dayOf(free, 'pot') + late_days,
    }).ready_t - free.ready_t;

  it('early makes a plant no older: within a day of the plan', () => {
    for (const early of [-3, -8, -12]) expect(Math.abs(readyWhenPotted(early)), `${early}`).toBeLessThan(1);
  });

  it('late keeps what was lost in the full cell, and no more than that', () => {
    for (const late of [4, 8, 14]) {
      expect(readyWhenPotted(late), `${late}`).toBeGreaterThan(late * 0.3);
      expect(readyWhenPotted(late), `${late}`).toBeLessThan(late * 0.8);
    }
    expect(readyWhenPotted(30)).toBeGreaterThan(readyWhenPotted(14));
  });
});

describe('young and large', () => {
  it('the sum to hardening is the share asked for, and potting comes well before it', () => {
    for (const crop of crops) {
      const usual = stageSums(crop, true);
      for (const age of [0.5, 0.7, 1, 1.3]) {
        const sums = stageSums(crop, true, age);
        expect(sums.ready_degreeDays).toBeCloseTo(usual.ready_degreeDays * age, 9);
        expect(sums.pot_degreeDays!).toBeLessThan(sums.space_degreeDays!);
        expect(sums.space_degreeDays!).toBeLessThan(sums.ready_degreeDays);
        expect(sums.overAge_degreeDays).toBeGreaterThan(sums.ready_degreeDays);
      }
    }
  });
  it('young plants are sown later for the same date, large ones sooner', () => {
    const sow = (age_frac: number) =>
      startOf(chainOf(backwardChain({ crop: tomato, plan: planOf(tomato, { age_frac }), offHeat: HALF, tables }))).day;
    expect(sow(0.7)).toBeGreaterThan(sow(1));
    expect(sow(1.3)).toBeLessThan(sow(1));
  });
});
