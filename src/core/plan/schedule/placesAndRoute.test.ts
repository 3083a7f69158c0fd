import { describe, expect, it } from 'vitest';
import { cropNamed, steadyPlace } from '../../../../tests/references/library.ts';
import type { Place } from '../../books/place.ts';
import { requireDay } from '../../calendar/dayNumber.ts';
import type { OffHeatRule } from '../../germination/offHeatRule.ts';
import type { BatchPlan } from '../batchPlan.ts';
import { milestoneOf, startOf, type Chain, type ChainResult } from './chain.ts';
import { forwardChain } from './forward.ts';
import { outlook } from './outlook.ts';
import { plannedChain } from './plannedChain.ts';
import { grownWhenPotted, pottedAt_degreeDays } from './potted.ts';
import { offHeatAfter, offHeatRuleOf, routeOf, type Route } from './route.ts';
import { seasonTables } from './seasonTables.ts';
import { placesForStage, suitsStage } from './suits.ts';
import { totalAt } from './thermalIntegral.ts';

const FROM = requireDay('2026-01-01');
const hot = steadyPlace(25);
const warm = steadyPlace(21, 15);
const mild = steadyPlace(18, 12);
const cold = steadyPlace(4, 2);
const dark: Place = { ...steadyPlace(24), kind: 'dark-chamber', lit: false };
const litChamber: Place = { ...steadyPlace(25), kind: 'lit-chamber', id: 940 };
const frame: Place = { ...steadyPlace(16, 9), kind: 'frame', id: 930 };
const ground: Place = { ...steadyPlace(16, 9), kind: 'ground', id: 920 };
const tables = seasonTables([hot, warm, mild, cold, dark, litChamber, frame, ground], FROM, 900);
const tomato = cropNamed('tomato');
const FROST = { lastFrost: '05-11', firstFrost: '10-05' };

const planOf = (more: Partial<BatchPlan> = {}): BatchPlan => ({
  plantsWanted: 100,
  spare_frac: 0.1,
  transplantOn: FROM + 500,
  hardening_days: 8,
  places: { germinate: hot.id, grow: warm.id, pot: mild.id, harden: frame.id },
  sowContainerId: 1,
  potContainerId: 2,
  ...more,
});
const inputOf = (plan: BatchPlan, offHeat: OffHeatRule = { kind: 'half-up' }, crop = tomato) => ({
  crop,
  plan,
  offHeat,
  tables,
});
const routeFor = (plan: BatchPlan): Route => routeOf(inputOf(plan)) as Route;
const chainOf = (result: ChainResult): Chain => {
  if (result.kind !== 'chain') throw new Error(`${result.stage}: ${result.reason}`);
  return result;
};

describe('the route of a batch', () => {
  it('wants a place for each stage it passes, and no pot place where it is not potted', () => {
    const of = (stage: 'germinate' | 'grow' | 'pot', potContainerId: number | null = 2) =>
      routeOf(inputOf(planOf({ potContainerId, places: { ...planOf().places, [stage]: null } })));
    expect(of('germinate')).toMatchObject({ kind: 'unreachable', stage: 'germinate', placeId: null });
    expect(of('grow')).toMatchObject({ kind: 'unreachable', stage: 'grow' });
    expect(of('pot')).toMatchObject({ kind: 'unreachable', stage: 'pot', reason: 'no place is chosen for this stage' });
    const unpotted = of('pot', null) as Route;
    expect(unpotted.sums.pot_degreeDays).toBeNull();
    expect(unpotted.inPot).toBe(unpotted.inGrow);
  });

  it('takes each stage from its own place', () => {
    const route = routeFor(planOf());
    expect(route.inHeat).toBe(tables.growthOf(tomato, hot.id));
    expect(route.inGrow).toBe(tables.growthOf(tomato, warm.id));
    expect(route.inPot).toBe(tables.growthOf(tomato, mild.id));
    expect(totalAt(route.inPot, FROM + 10)).toBeLessThan(totalAt(route.inGrow, FROM + 10));
  });

  it('goes by what was learned of emergence and growth', () => {
    const ready = (more: Partial<BatchPlan>) => routeFor(planOf(more)).sums.ready_degreeDays;
    expect(ready({ growth_factor: 1.3 }) / ready({})).toBeCloseTo(1.3, 9);
    const rate = (more: Partial<BatchPlan>) => totalAt(routeFor(planOf(more)).germination, FROM + 20);
    // Half as long again to come up: so much less of the way each day.
    expect(rate({}) / rate({ emergence_factor: 1.5 })).toBeCloseTo(1.5, 9);
  });

  it('off the heat: the batch before its crop group before the house; at once, after days, at a share', () => {
    const house: OffHeatRule = { kind: 'half-up' };
    const own: OffHeatRule = { kind: 'days-after', days: 2 };
    const group: OffHeatRule = { kind: 'all-up' };
    expect(offHeatRuleOf(inputOf(planOf(), house))).toBe(house);
    expect(offHeatRuleOf(inputOf(planOf(), house, { ...tomato, offHeat: group }))).toBe(group);
    expect(offHeatRuleOf(inputOf(planOf({ offHeat: own }), house, { ...tomato, offHeat: group }))).toBe(own);

    const route = routeFor(planOf());
    expect(offHeatAfter(route, house, FROM + 30.25)).toBe(FROM + 30.25);
    expect(offHeatAfter(route, own, FROM + 30.25)).toBe(FROM + 32.25);
    const share = offHeatAfter(route, { kind: 'share', share_frac: 0.75 }, FROM + 30.25)!;
    const all = offHeatAfter(route, group, FROM + 30.25)!;
    expect(FROM + 30.25 < share && share < all && all < FROM + 34).toBe(true);
    expect(
      offHeatAfter(routeFor(planOf({ places: { ...planOf().places, germinate: cold.id } })), group, FROM),
    ).toBeNull();
  });
});

describe('which places do for a stage', () => {
  const lettuce = { ...tomato, light: 'light' as const };
  const never = { ...tomato, light: 'dark' as const };
  it('seed that wants light does not go into the dark, and no plant does', () => {
    expect(suitsStage(dark, 'germinate', lettuce)).toBe(false);
    expect(suitsStage(dark, 'germinate', never)).toBe(true);
    expect(suitsStage(litChamber, 'germinate', lettuce)).toBe(true);
    expect(suitsStage({ ...warm, lit: false }, 'grow', never)).toBe(false);
    expect(suitsStage({ ...frame, lit: false }, 'harden', never)).toBe(false);
    expect(suitsStage(dark, 'grow', never)).toBe(false);
    expect(suitsStage(litChamber, 'pot', never)).toBe(false);
    expect(suitsStage(hot, 'harden', never)).toBe(false);
  });

  it('gives them best first: those in what the crop bears, then nearest to what it likes', () => {
    const fits = placesForStage(tables, tomato, 'grow', FROM + 30);
    expect(new Set(fits.map((fit) => fit.placeId))).toEqual(
      new Set([warm, litChamber, hot, mild, cold].map(({ id }) => id)),
    );
    expect(fits[0]).toMatchObject({ placeId: warm.id, inRange: true });
    for (const fit of fits) {
      const wanted = (tomato.growDay_C + tomato.growNight_C) / 2;
      expect(fit.misfit_K).toBeCloseTo(Math.abs((fit.day_C + fit.night_C) / 2 - wanted), 9);
    }
    expect(fits.at(-1)).toMatchObject({ placeId: cold.id, inRange: false });
    const sorted = fits.filter((fit) => fit.inRange).map((fit) => fit.misfit_K);
    expect(sorted).toEqual([...sorted].sort((a, b) => a - b));
  });

  it('germination is held to its own best temperature; like fits go by their number', () => {
    const fits = placesForStage(tables, tomato, 'germinate', FROM + 30);
    for (const fit of fits)
      expect(fit.misfit_K).toBeCloseTo(Math.abs((fit.day_C + fit.night_C) / 2 - tomato.germBest_C), 9);
    const alike = fits.filter((fit) => fit.day_C === 25).map((fit) => fit.placeId);
    expect(alike).toEqual([hot.id, litChamber.id].sort((a, b) => a - b));
  });

  it('hardening wants a frame before open ground, whatever their number', () => {
    const ids = placesForStage(tables, tomato, 'harden', FROM + 180).map((fit) => fit.placeId);
    expect(ids).toEqual([frame.id, ground.id]);
    expect(frame.id).toBeGreaterThan(ground.id);
  });
});

describe('before anything is sown', () => {
  const today = FROM + 300;

  it('a plan still in time has no soonest date; the day of sowing itself is still in time', () => {
    const sow = startOf(chainOf(plannedChain(inputOf(planOf())))).day;
    const on = outlook(inputOf(planOf()), FROST, sow);
    expect(on.earliestTransplantOn).toBeNull();
    expect(on.wouldDo).toEqual([]);
    expect(on.laterThanRule_days).toBe(sow - on.ruleSowOn);
    const after = outlook(inputOf(planOf()), FROST, sow + 1);
    const soonest = chainOf(
      forwardChain({ ...inputOf(planOf()), sowOn: sow + 1, facts: {}, today: sow + 1, waitForDate: false }),
    );
    expect(after.earliestTransplantOn).toBe(milestoneOf(soonest, 'plant')!.day);
  });

  it('where a stage cannot be reached, names the places with which it can, and warns of nothing else', () => {
    const stuck = outlook(inputOf(planOf({ places: { ...planOf().places, germinate: cold.id } })), FROST, today);
    expect(stuck.plan).toMatchObject({ kind: 'unreachable', stage: 'germinate' });
    expect(stuck.warnings).toEqual([]);
    expect(stuck.earliestTransplantOn).toBeNull();
    const ids = stuck.wouldDo.map((fit) => fit.placeId);
    expect(ids).toContain(hot.id);
    expect(ids).not.toContain(cold.id);
    expect(stuck.wouldDo.length).toBeGreaterThan(2);
  });

  it('a place with which another stage fails is still a way past this one', () => {
    const places = { ...planOf().places, germinate: cold.id, grow: cold.id };
    const stuck = outlook(inputOf(planOf({ places })), FROST, today);
    expect(stuck.plan).toMatchObject({ kind: 'unreachable' });
    const stage = (stuck.plan as { stage: string }).stage;
    const wouldDo = stuck.wouldDo.map((fit) => fit.placeId);
    // Growing stays too cold whatever place it germinates in: that is the next thing to say, not a reason against all.
    expect(stage === 'grow' || wouldDo.includes(hot.id)).toBe(true);
    expect(wouldDo).not.toContain(cold.id);
  });
});

describe('a plan with a day to begin', () => {
  it('goes forward from the day named for sowing, and waits for the day it is to go out', () => {
    const sow = FROM + 380;
    const chain = chainOf(plannedChain(inputOf(planOf({ steps: { sow } }))));
    expect(startOf(chain)).toMatchObject({ key: 'sow', day: sow });
    expect(milestoneOf(chain, 'plant')!.day).toBe(FROM + 500);
    const back = chainOf(plannedChain(inputOf(planOf())));
    expect(startOf(back).day).toBeGreaterThan(sow);
  });

  it('goes from the day its plugs come, whatever day is named for sowing', () => {
    const joins = { on: FROM + 430, stage: 'grow' } as unknown as BatchPlan['joins'];
    const chain = chainOf(plannedChain(inputOf(planOf({ joins, steps: { sow: FROM + 380 } }))));
    expect(startOf(chain)).toMatchObject({ key: 'arrive', day: FROM + 430 });
  });
});

describe('what has grown by the day of potting', () => {
  const plan = planOf();
  const route = routeFor(plan);
  const perDay = totalAt(route.inGrow, FROM + 11) - totalAt(route.inGrow, FROM + 10);
  const at = (days: number, checks = 0) =>
    pottedAt_degreeDays(route, {
      behind_degreeDays: 5,
      bought: false,
      off_t: FROM + 10,
      pot_t: FROM + 10 + days,
      checks,
    });

  it('is what it had and what the cell gave; each earlier move cost two days of it', () => {
    expect(at(4)).toBeCloseTo(5 + 4 * perDay, 9);
    expect(at(4, 1)).toBeCloseTo(5 + 2 * perDay, 9);
    expect(at(4, 3)).toBeCloseTo(5, 9);
  });

  it('of a chain: from half up on the heat, then in the growing place', () => {
    const chain = chainOf(plannedChain(inputOf(plan, { kind: 'days-after', days: 3 })));
    const half = milestoneOf(chain, 'half-up')!.t;
    const off = milestoneOf(chain, 'off-heat')!.t;
    const pot = milestoneOf(chain, 'pot')!.t;
    const onHeat = totalAt(route.inHeat, off) - totalAt(route.inHeat, half);
    expect(onHeat).toBeGreaterThan(0);
    const wanted = pottedAt_degreeDays(route, {
      behind_degreeDays: onHeat,
      bought: false,
      off_t: off,
      pot_t: pot,
      checks: 0,
    });
    expect(grownWhenPotted(route, chain, tomato, plan, 0)).toBeCloseTo(wanted, 9);
    expect(wanted).toBeGreaterThan(onHeat);
    expect(grownWhenPotted(route, chain, tomato, plan, 1)).toBeLessThan(wanted);
  });
});
