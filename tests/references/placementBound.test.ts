import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { madeUpSeason } from '../../simulators/placementSeasons.ts';
import { gapOf_frac, heatedWeeksBound } from '../../src/core/plan/placement/bound.ts';
import { construct } from '../../src/core/plan/placement/construct.ts';
import { fullBound } from '../../src/core/plan/placement/fullBound.ts';
import { improveAll } from '../../src/core/plan/placement/improve.ts';
import { bestPlan, makeScratch } from '../../src/core/plan/placement/insert.ts';
import type { Instance } from '../../src/core/plan/placement/instance.ts';
import { addLonePlans } from '../../src/core/plan/placement/lonePlans.ts';
import { addToPool, makePool } from '../../src/core/plan/placement/pool.ts';
import { makeProblem } from '../../src/core/plan/placement/problem.ts';
import { costOf, emptyState, type Plan, type State } from '../../src/core/plan/placement/state.ts';
import { cheapestWay, makeWayBench } from '../../src/core/plan/placement/waysAtPrices.ts';
import { solvePool } from '../../src/workers/solvePool.ts';
import { leastCostByTrying } from '../support/bruteForce.ts';
import { tinySeason } from '../support/tinySeasons.ts';

function ended<T>(run: Generator<unknown, T>): T {
  for (;;) {
    const { done, value } = run.next();
    if (done === true) return value;
  }
}
const boundOf = (state: State, steps = 120): number => ended(heatedWeeksBound(state, steps));

/** The instance with each place kept at one of its set-points throughout, for nothing. */
const atOneSetPoint = (instance: Instance, which: number): Instance => ({
  ...instance,
  places: instance.places.map((place) => {
    const level = place.levels[Math.min(which, place.levels.length - 1)]!;
    return {
      ...place,
      levels: [{ ...level, heat_kWh: new Float64Array(instance.days) }],
      row: place.row.map(() => 0),
    };
  }),
});

describe('the bound with these weeks heated', () => {
  it('is never above what trying every way of a tiny season finds, and seldom far below', () => {
    const shares: number[] = [];
    for (let seed = 1; seed <= 7; seed++) {
      const instance = atOneSetPoint(tinySeason(seed), 1 + (seed % 2));
      const state = construct(makeProblem(instance));
      improveAll(state, { seed, moves: 300 });
      const least = leastCostByTrying(instance, costOf(state) + 1e-3);
      const bound = boundOf(state, 60);
      expect(bound, `seed ${seed}`).toBeLessThanOrEqual(least + 1e-6);
      shares.push(bound / least);
    }
    expect(shares.sort((a, b) => a - b)[3]).toBeGreaterThan(0.7);
  });

  it('is never above the cheapest choice that HiGHS finds among many plans, hands and all', async () => {
    for (const [batches, seed, hands_min] of [
      [8, 3, Infinity],
      [10, 6, 300],
    ] as const) {
      const made = madeUpSeason({ batches, places: 6, days: 220, seed });
      const instance: Instance = {
        ...made,
        // What is heated is paid in the bound and not for the solver: here nothing has to be.
        weights: { ...made.weights, heat_perkWh: 0, setPointChange: 0 },
        hands_min: new Array<number>(40).fill(hands_min),
        batches: made.batches.map((b) => ({ ...b, work_min: b.stages.map(() => 25 * b.trays).concat(30 * b.trays) })),
      };
      const problem = makeProblem(instance);
      const state = construct(problem);
      improveAll(state, { seed, moves: 600 });
      const pool = makePool(problem);
      const onPlan = (found: State, plan: Plan) => addToPool(pool, found, plan, 60);
      improveAll(state, { seed, moves: 600, setPoints: false, onPlan });
      const bound = boundOf(state, 60);
      const answer = solvePool(await loadHighs(), pool, state, new Set(problem.tasks.map((t) => t.index)), 3);
      expect(bound, `seed ${seed}`).toBeLessThanOrEqual(answer.cost + 1e-6);
      // Without hands to count, room alone leaves little between them.
      if (hands_min === Infinity) expect(bound / answer.cost).toBeGreaterThan(0.9);
    }
  }, 120_000);

  it('is the same with heat on top, which is paid', () => {
    const made = madeUpSeason({ batches: 10, places: 8, days: 220, seed: 5 });
    const state = construct(makeProblem(made));
    improveAll(state, { seed: 1, moves: 800 });
    const bound = boundOf(state);
    expect(bound).toBeLessThanOrEqual(costOf(state) + 1e-6);
    expect(bound).toBeGreaterThan(state.heat + state.changes);
    expect(gapOf_frac(costOf(state), bound)).toBeLessThan(0.5);
    // Above the cost of a plan it would be wrong, and nothing is claimed.
    expect(gapOf_frac(10, 10.5)).toBeNull();
    expect(gapOf_frac(10, 0)).toBeNull();
    expect(gapOf_frac(12, 10)).toBeCloseTo(0.2, 9);
  });
});

describe('the bound on any plan', () => {
  it('is never above what trying every set-point and every way of a tiny season finds, and comes near it', () => {
    const shares: number[] = [];
    for (const seed of [8]) {
      const instance = tinySeason(seed);
      const state = construct(makeProblem(instance));
      improveAll(state, { seed, moves: 800 });
      const least = leastCostByTrying(instance, costOf(state) + 1e-3);
      const bound = ended(fullBound(state, 100))!;
      expect(bound, `seed ${seed}`).toBeLessThanOrEqual(least + 1e-6);
      shares.push(bound / least);
    }
    expect(Math.max(...shares)).toBeGreaterThan(0.5);
  }, 120_000);

  it('is never above the cheapest choice that HiGHS finds among many plans at any set-points', async () => {
    for (const seed of [4, 6]) {
      const problem = makeProblem(madeUpSeason({ batches: 8, places: 6, days: 200, seed }));
      const state = construct(problem);
      const pool = makePool(problem);
      improveAll(state, { seed, moves: 900, onPlan: (found, plan) => addToPool(pool, found, plan, 50) });
      addLonePlans(pool, state, makeScratch(problem), 40, seed);
      const bound = ended(fullBound(state, 30))!;
      const answer = solvePool(await loadHighs(), pool, state, new Set(problem.tasks.map((t) => t.index)), 3);
      expect(bound, `seed ${seed}`).toBeLessThanOrEqual(answer.cost + 1e-6);
      expect(bound, `seed ${seed}`).toBeGreaterThan(0);
      // With the weeks heated as they are there is less to choose from.
      expect(ended(heatedWeeksBound(state, 60))).toBeGreaterThan(bound - 1e-6);
    }
  }, 120_000);

  it('claims nothing of stages that it cannot price', () => {
    const made = madeUpSeason({ batches: 6, places: 6, days: 200, seed: 2 });
    const instance = { ...made, stages: made.stages.map((s) => (s.need > 0 ? { ...s, least_days: 3 } : s)) };
    expect(ended(fullBound(construct(makeProblem(instance)), 5))).toBeNull();
  });
});

describe('the cheapest way at prices', () => {
  it('in an empty house, with nothing to pay, is as cheap as the search’s own or cheaper by its waits', () => {
    const problem = makeProblem(madeUpSeason({ batches: 40, places: 10, days: 220, seed: 9 }));
    const state = emptyState(problem);
    const [bench, wayBench] = [makeScratch(problem), makeWayBench(problem)];
    const free = {
      room: new Float64Array(problem.placeCount * (problem.days + 1)),
      work_perMin: new Float64Array(problem.blocks),
      shut: new Int16Array(problem.placeCount * problem.days).fill(problem.days),
    };
    // Heat is paid by the week elsewhere.
    for (const list of problem.heat) list.fill(0);
    let alike = 0;
    for (const task of problem.tasks) {
      const own = bestPlan(state, task, bench)?.price ?? Infinity;
      const way = cheapestWay(state, task, free, wayBench);
      expect(way.price, task.spec.name).toBeLessThanOrEqual(own + 1e-6);
      if (own - way.price < 1e-6) alike++;
      // Told the way it took, it finds it again.
      expect(cheapestWay(state, task, free, wayBench, way).price).toBeCloseTo(way.price, 9);
    }
    expect(alike).toBeGreaterThan(36);
  });
});
