import stdNormalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { madeUpSeason } from '../../../../simulators/placementSeasons.ts';
import { checkPlan } from './checkPlan.ts';
import { construct } from './construct.ts';
import { improve, improveAll } from './improve.ts';
import { USUAL_WEIGHTS, type BatchSpec, type Instance } from './instance.ts';
import { bestPlan, makeScratch } from './insert.ts';
import { makeProblem } from './problem.ts';
import { solutionOf } from './solution.ts';
import { addPlan, costOf, emptyState, removePlan, unplacedPrice, type State } from './state.ts';

/** The checker finds no fault and the same price. */
function expectSound(instance: Instance, state: State): void {
  const solution = solutionOf(state);
  const verdict = checkPlan(instance, solution);
  expect(verdict.faults).toEqual([]);
  expect(verdict.cost).toBeCloseTo(solution.cost.total, 4);
  expect(verdict.heat_kWh).toBeCloseTo(solution.cost.heat_kWh, 4);
}

/** A season in which days too cold, and in some crops too warm, bring every other stage to flower. */
/** With days that bring to flower, that are uncomfortable or too many, with uncertain dates and work to be done. */
function flowering(instance: Instance): Instance {
  const stages = instance.stages.map((stage, i) =>
    i % 2 === 0
      ? { ...stage, comfort: { low_C: 9, high_C: 24 }, fair_days: 12 }
      : { ...stage, bolt: { cold_C: 14, cold_frac: 0.03, warm_C: i % 4 === 1 ? 24 : null, warm_frac: 0.02 } },
  );
  // So few hands that all work is beyond them, and a spread that makes a day's price a mean.
  const batches = instance.batches.map((batch, i) => ({
    ...batch,
    spread_days: (i % 3) * 2.5,
    work_min: [...batch.stages.map((_, k) => 5 * (k + 1) * batch.trays), 10 * batch.trays],
  }));
  return { ...instance, stages, batches, hands_min: new Array<number>(60).fill(0) };
}

describe('every plan returned', () => {
  it('keeps to room and temperature, and costs what it says: 20 made-up seasons', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 30 }),
        fc.integer({ min: 3, max: 12 }),
        fc.integer({ min: 0, max: 1e6 }),
        (batches, places, seed) => {
          const plain = madeUpSeason({ batches, places, days: 200, seed });
          const instance = seed % 2 === 0 ? plain : flowering(plain);
          const state = construct(makeProblem(instance));
          expectSound(instance, state);
          const first = costOf(state);
          improveAll(state, { seed, moves: 60 });
          expectSound(instance, state);
          expect(costOf(state)).toBeLessThanOrEqual(first + 1e-6);
        },
      ),
      { seed: 2027, numRuns: 20 },
    );
  }, 60_000);
});

describe('a season large enough that room is overdrawn while plans are talked over', () => {
  it('ends with nothing over and nothing lost, wherever it is stopped', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 31, max: 70 }),
        fc.integer({ min: 0, max: 1e6 }),
        fc.integer({ min: 0, max: 10 }),
        (batches, seed, stopAfter) => {
          const plain = madeUpSeason({ batches, places: 8, days: 200, seed });
          const instance = seed % 2 === 0 ? plain : flowering(plain);
          const state = construct(makeProblem(instance));
          const first = costOf(state);
          const run = improve(state, { seed, moves: 200, reportEvery: 20 });
          for (let i = 0; i < stopAfter; i++) run.next();
          run.return();
          expectSound(instance, state);
          expect(state.overdrawn_perPart).toBe(0);
          expect(state.over_partDays).toBe(0);
          expect(costOf(state)).toBeLessThanOrEqual(first + 1e-6);
        },
      ),
      { seed: 2027, numRuns: 14 },
    );
  }, 60_000);
});

describe('the search', () => {
  const instance = madeUpSeason({ batches: 28, places: 8, days: 220, seed: 3 });

  it('gives the same answer for the same seed, and better than the first plan', () => {
    const run = (seed: number) => {
      const state = construct(makeProblem(instance));
      const first = costOf(state);
      improveAll(state, { seed, moves: 800 });
      return { first, solution: solutionOf(state) };
    };
    const [a, b] = [run(5), run(5)];
    expect(a.solution).toEqual(b.solution);
    expect(a.solution.cost.total).toBeLessThan(a.first * 0.95);
  });

  it('stopped half way leaves the best found so far', () => {
    const state = construct(makeProblem(instance));
    const first = costOf(state);
    const run = improve(state, { seed: 1, moves: 2000, reportEvery: 50 });
    let best = Infinity;
    for (let i = 0; i < 6; i++) {
      const { value } = run.next();
      if (value) best = value.best;
    }
    run.return();
    expect(costOf(state)).toBeCloseTo(best, 6);
    expect(best).toBeLessThan(first);
    expectSound(instance, state);
  });

  it('moves only what it may, and no set-point when told not to', () => {
    const state = construct(makeProblem(instance));
    const before = solutionOf(state);
    const only = new Set([1, 5, 9, 13]);
    improveAll(state, { seed: 2, moves: 300, only, setPoints: false });
    const after = solutionOf(state);
    expect(after.rows).toEqual(before.rows);
    after.batches.forEach((batch, i) => {
      if (!only.has(i)) expect(batch).toEqual(before.batches[i]);
    });
  });
});

describe('what the grower pinned and what is there already', () => {
  const base = madeUpSeason({ batches: 12, places: 8, days: 200, seed: 8 });

  it('stays, even where it overfills a place, and the rest keeps out of its way', () => {
    const problem = makeProblem(base);
    const state = construct(problem);
    const solution = solutionOf(state);
    const pinned = solution.batches[0]!.stays;
    expect(pinned.length).toBeGreaterThan(2);
    const place = pinned[1]!.place;
    const batches = base.batches.map((batch, i): BatchSpec => (i === 0 ? { ...batch, pinned } : batch));
    const places = base.places.map((p, i) => (i === place ? { ...p, room_slots: 0 } : p));
    const tight = { ...base, batches, places };
    const again = construct(makeProblem(tight));
    improveAll(again, { seed: 4, moves: 400 });
    const kept = solutionOf(again);
    expect(kept.batches[0]!.stays).toEqual(pinned);
    expectSound(tight, again);
    const verdict = checkPlan(tight, kept);
    expect(verdict.over_slotDays).toBeGreaterThan(0);
  });

  it('goes on from where it stands', () => {
    const solution = solutionOf(construct(makeProblem(base)));
    const i = solution.batches.findIndex((b) => b.stays.length === 5);
    const second = solution.batches[i]!.stays[1]!;
    const today = second.from + 3;
    const batches = base.batches.map((batch, j): BatchSpec =>
      j === i
        ? {
            ...batch,
            inProgress: { at: 1, place: second.place, day: second.from, need: base.stages[batch.stages[1]!]!.need },
          }
        : { ...batch, target: batch.target + 60 },
    );
    const later = { ...base, batches, today };
    const state = construct(makeProblem(later));
    improveAll(state, { seed: 4, moves: 300 });
    expectSound(later, state);
    const now = solutionOf(state).batches[i]!;
    expect(now.stays[0]).toMatchObject({ stage: 1, place: second.place, from: second.from });
    expect(now.out).not.toBeNull();
  });
});

describe('a crop that cold brings to flower', () => {
  const level = (setPoint_C: number | null, day_C: number, heat_kWh: number) => ({
    setPoint_C,
    day_C: new Float64Array(90).fill(day_C),
    night_C: new Float64Array(90).fill(day_C - 4),
    heat_kWh: new Float64Array(90).fill(heat_kWh),
  });
  const house = { id: 1, name: 'House', room_slots: 20, closed: [] };
  const bay = (row: number) => ({ ...house, levels: [level(null, 12, 0), level(16, 16, 3)], row: Array(14).fill(row) });
  const stage = {
    name: 'celery: spaced out',
    gain: () => 1,
    need: 20,
    standstill_days: 0,
    least_days: 1,
    mostWait_days: 14,
    low_C: 2,
    high_C: 35,
    mostSetPoint_C: null,
    places: [0],
  };
  const bolt = { cold_C: 12, cold_frac: 1 / 24, warm_C: null, warm_frac: 0 };
  const run = (stages: Instance['stages'], row: number): Instance => ({
    days: 90,
    blockDays: 7,
    blockOffset: 0,
    frozenBlocks: 0,
    today: 0,
    places: [bay(row)],
    stages,
    batches: [
      {
        id: 1,
        name: 'Celery',
        stages: [0],
        slots: [6],
        trays: 6,
        target: 60,
        before_days: 3,
        after_days: 7,
        weight: 1,
      },
    ],
    weights: { ...USUAL_WEIGHTS },
  });
  const planned = (stages: Instance['stages'], row: number) => {
    const instance = run(stages, row);
    const state = construct(makeProblem(instance));
    improveAll(state, { seed: 1, moves: 200 });
    expectSound(instance, state);
    return solutionOf(state);
  };

  it('is kept warm where it would bolt, and not where it would not', () => {
    const cold = planned([stage], 0);
    expect(cold.cost.heat_kWh).toBe(0);
    const warm = planned([{ ...stage, bolt }], 0);
    expect(warm.batches[0]!.out).not.toBeNull();
    expect(warm.cost.heat_kWh).toBeGreaterThan(0);
    // Twenty days of cold: twenty of the twenty-four that lose the tray.
    const held = construct(makeProblem(run([{ ...stage, bolt }], 0)));
    expect(costOf(held)).toBeGreaterThan(costOf(construct(makeProblem(run([stage], 0)))) + 6 * 60 * (20 / 24) - 1);
  });
});

describe('one insertion', () => {
  it.each([
    [0, true],
    [0.002, false],
    [0.05, true],
  ])('finds what trying every way finds, room overdrawn at %d, running to flower: %s', (overdrawn, flowers) => {
    const plain = madeUpSeason({ batches: 9, places: 10, days: 170, seed: 21 });
    const instance = flowers ? flowering(plain) : plain;
    const unheated = { ...instance, weights: { ...instance.weights, heat_perkWh: 0, setPointChange: 0 } };
    const problem = makeProblem(unheated);
    const scratch = makeScratch(problem);
    const state = emptyState(problem);
    state.overdrawn_perPart = overdrawn;
    let compared = 0;
    for (const task of problem.tasks) {
      const found = bestPlan(state, task, scratch);
      const least = cheapestByTrying(unheated, state, task.index);
      if (found === null) {
        expect(least).toBeGreaterThanOrEqual(overdrawn > 0 ? unplacedPrice(problem, task) : Infinity);
        continue;
      }
      const cost = costOf(state);
      addPlan(state, found);
      expect(costOf(state) - cost + unplacedPrice(problem, task)).toBeCloseTo(least, 6);
      // Taken out and put back with the plan it had as a bound: the same.
      const again = bestPlan(state, task, scratch, undefined, removePlan(state, task.index));
      addPlan(state, again!);
      expect(costOf(state) - cost + unplacedPrice(problem, task)).toBeCloseTo(least, 6);
      // What was said to be the least still to pay is never more than what is paid.
      expect(task.toGo[found.days[0]!]!).toBeLessThanOrEqual(found.price + 1e-9);
      compared++;
    }
    expect(compared).toBeGreaterThan(5);
    const before = costOf(state);
    const out = [2, 5, 7].map((i) => removePlan(state, i));
    for (const plan of out) if (plan) addPlan(state, plan);
    expect(costOf(state)).toBeCloseTo(before, 9);
  });
});

/** Least price of a batch by trying every day and place for every stage, with the checker's own arithmetic. */
function cheapestByTrying(instance: Instance, state: State, index: number): number {
  const { overdrawn_perPart, free } = state;
  const task = state.problem.tasks[index]!;
  const batch = task.spec;
  const { weights, days } = instance;
  const memo = new Map<string, number>();
  const work = (k: number) => ((batch.work_min?.[k] ?? 0) * weights.overtime_perHour) / 60;
  const level = (p: number, d: number) =>
    instance.places[p]!.levels[state.rows[p * state.problem.blocks + Math.floor(d / 7)]!]!;
  const from = (k: number, p: number, d: number): number => {
    if (k === batch.stages.length) {
      const late = d - batch.target - batch.after_days;
      const early = batch.target - batch.before_days - d;
      if (late > weights.mostLate_days || early > weights.mostEarly_days) return Infinity;
      let sum = 0;
      for (let i = 0; i < 39; i++) {
        const out = d + Math.max(0, stdNormalQuantile((i + 0.5) / 39, 0, 1)) * (batch.spread_days ?? 0);
        const over = out - batch.target - batch.after_days;
        const early_days = batch.target - batch.before_days - out;
        if (over > 0) sum += over * weights.late_perTrayDay * batch.trays * batch.weight;
        else if (early_days > 0) sum += early_days * weights.early_perTrayDay * batch.trays;
        else sum += 0.01 * batch.trays * Math.abs(out - batch.target);
      }
      return sum / 39 + work(k);
    }
    const key = `${k}/${p}/${d}`;
    const known = memo.get(key);
    if (known !== undefined) return known;
    const stage = instance.stages[batch.stages[k]!]!;
    let least = Infinity;
    for (const q of stage.places) {
      const move = (k > 0 && q !== p ? weights.move_perTray * batch.trays : 0) + work(k);
      let gained = 0;
      let waits = 0;
      let over = 0;
      for (let e = d + 1; e < days; e++) {
        const on = level(q, e - 1);
        if (on.night_C[e - 1]! < stage.low_C || on.day_C[e - 1]! > stage.high_C) break;
        if (stage.mostSetPoint_C !== null && on.setPoint_C !== null && on.setPoint_C > stage.mostSetPoint_C) break;
        const lacking = Math.min(task.slots[k]!, Math.max(0, task.slots[k]! - free[q * days + e - 1]!));
        if (lacking > 0 && overdrawn_perPart === 0) break;
        over += lacking * overdrawn_perPart;
        const { bolt, comfort } = stage;
        if (comfort) {
          const kelvin =
            Math.max(comfort.low_C - on.night_C[e - 1]!, 0) + Math.max(on.day_C[e - 1]! - comfort.high_C, 0);
          over += kelvin * weights.discomfort_perTrayKelvin * batch.trays * batch.weight;
        }
        const mean = (on.day_C[e - 1]! + on.night_C[e - 1]!) / 2;
        const lost = weights.unplaced_perTray * batch.trays * batch.weight;
        if (bolt?.cold_C != null && mean < bolt.cold_C) over += lost * bolt.cold_frac;
        if (bolt?.warm_C != null && on.day_C[e - 1]! > bolt.warm_C) over += lost * bolt.warm_frac;
        const fits = on.night_C[e]! >= stage.low_C && on.day_C[e]! <= stage.high_C;
        const next = fits ? stage.gain(on.day_C[e]!, on.night_C[e]!) : 0;
        if (e - 1 >= d + stage.standstill_days) gained += (stage.gain(on.day_C[e - 1]!, on.night_C[e - 1]!) + next) / 2;
        const off = instance.places[q]!.levels[0]!;
        const offFits = off.night_C[e]! >= stage.low_C && off.day_C[e]! <= stage.high_C;
        const unheated = offFits ? stage.gain(off.day_C[e]!, off.night_C[e]!) : 0;
        // On the first day of a week it must do without that morning's heat.
        const less = e % 7 === 0 && instance.places[q]!.levels.length > 1 ? Math.max(0, next - unheated) / 2 : 0;
        if (gained - less < stage.need - 1e-9 || e < d + Math.max(stage.least_days, stage.standstill_days)) continue;
        if (waits > stage.mostWait_days) break;
        let wait = weights.ageing_perTrayDay * batch.trays * Math.max(0, e - waits - d - (stage.fair_days ?? 999));
        for (let w = 1; w <= waits; w++)
          wait += weights.wait_perTrayDay * batch.trays * (2 * w > stage.mostWait_days ? 4 : 1);
        least = Math.min(least, move + wait + over + from(k + 1, q, e));
        waits++;
      }
    }
    memo.set(key, least);
    return least;
  };
  let least = Infinity;
  for (let d = 0; d < days; d++) least = Math.min(least, from(0, -1, d));
  return least;
}
