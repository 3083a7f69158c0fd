import { describe, expect, it } from 'vitest';
import { madeUpSeason } from '../../../../simulators/placementSeasons.ts';
import { checkPlan } from './checkPlan.ts';
import { seededRandom } from '../../numerics/random.ts';
import { coolCap_C, levelsOf } from './coolCap.ts';
import { construct } from './construct.ts';
import { heatMoney, heatNeed_kWh } from './energy.ts';
import { improveAll } from './improve.ts';
import { makeScratch } from './insert.ts';
import type { Instance, LevelSpec, StageSpec } from './instance.ts';
import { offersForRoom, offersForUnplaced } from './offers.ts';
import { addToPool, makePool, needsOf } from './pool.ts';
import { makeProblem } from './problem.ts';
import { repair, undoRepair } from './repair.ts';
import { solutionOf } from './solution.ts';
import { addPlan, costOf, emptyState, freshHeat, removePlan, restoreRow, setRow } from './state.ts';
import { dayGains, endFrom, gainsFromNoon, makeTrack, NONE, refreshTrack } from './track.ts';

describe('heat', () => {
  it('of the worked example, and none where it is warm enough unheated', () => {
    expect(heatNeed_kWh({ loss_W_per_K: 20, setDay_C: 20, setNight_C: 20, freeDay_C: 10, freeNight_C: 5 })).toBe(6);
    expect(heatNeed_kWh({ loss_W_per_K: 20, setDay_C: 15, setNight_C: 10, freeDay_C: 16, freeNight_C: 12 })).toBe(0);
  });

  it('of the trade’s heated box comes within 30% at 2 W/K a square metre', () => {
    // Common practice, no source: 1.2 x 2.4 m, foam below, single film, 1.65 kWh a day over a 140-day cool maritime spring
    // at 18-22. Outside taken as 11 by day and 4 by night on average; the box unheated a kelvin above.
    const daily = heatNeed_kWh({
      loss_W_per_K: 2 * 1.2 * 2.4,
      setDay_C: 20,
      setNight_C: 20,
      freeDay_C: 12,
      freeNight_C: 5,
    });
    expect(daily / 1.65).toBeGreaterThan(0.7);
    expect(daily / 1.65).toBeLessThan(1.3);
  });
});

describe('cool crops', () => {
  it('are capped by the nursery’s school, warm crops never', () => {
    expect(coolCap_C({ group: 'cool' }, 'gentle', 18)).toBe(18);
    expect(coolCap_C({ group: 'cool' }, 'none', 18)).toBe(7);
    expect(coolCap_C({ group: 'cool' }, 'same', 18)).toBeNull();
    expect(coolCap_C({ group: 'warm' }, 'none', 18)).toBeNull();
    expect(levelsOf({ kind: 'written' })).toEqual([]);
  });
});

describe('chance', () => {
  it('is the same for the same seed, even and below one', () => {
    const [a, b] = [seededRandom(9), seededRandom(9)];
    const drawn = Array.from({ length: 5000 }, () => a());
    expect(drawn.every((x) => x === b())).toBe(true);
    expect(Math.min(...drawn)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...drawn)).toBeLessThan(1);
    expect(drawn.reduce((s, x) => s + x, 0) / 5000).toBeCloseTo(0.5, 1);
    expect(seededRandom(1)()).toBeCloseTo(0.6270739405881613, 12);
  });
});

describe('the ends of a stage', () => {
  const DAYS = 60;
  const stage: StageSpec = {
    name: 's',
    gain: (d, n) => (d + n) / 2,
    need: 100,
    standstill_days: 2,
    least_days: 1,
    mostWait_days: 5,
    low_C: 4,
    high_C: 30,
    mostSetPoint_C: 20,
    places: [0],
  };
  const level = (setPoint_C: number | null, of: (d: number) => number): LevelSpec => ({
    setPoint_C,
    day_C: Float64Array.from({ length: DAYS }, (_, d) => of(d)),
    night_C: Float64Array.from({ length: DAYS }, (_, d) => of(d) - 4),
    heat_kWh: new Float64Array(DAYS),
  });
  const levels = [level(null, (d) => 6 + d * 0.2), level(18, () => 18), level(24, () => 24)];
  const blockOf = Uint8Array.from({ length: DAYS + 1 }, (_, d) => Math.floor(d / 7));
  const track = makeTrack(
    levels.map((one) => gainsFromNoon(dayGains(stage, one, DAYS))),
    DAYS,
  );

  it('are those of adding up day by day, for any row of set-points', () => {
    const random = seededRandom(4);
    for (let trial = 0; trial < 60; trial++) {
      const row = Uint8Array.from({ length: 10 }, () => Math.floor(random() * 3));
      refreshTrack(track, stage, row, 0, blockOf, DAYS);
      for (let d = 0; d < DAYS; d++) {
        let gained = 0;
        let end = NONE;
        for (let e = d + 1; e < DAYS; e++) {
          const l = levels[row[blockOf[e - 1]!]!]!;
          const fits = (on: number) => l.night_C[on]! >= 4 && l.day_C[on]! <= 30 && (l.setPoint_C ?? 0) <= 20;
          if (!fits(e - 1)) break;
          const half = (on: number) => (fits(on) ? (l.day_C[on]! + l.night_C[on]!) / 4 : 0);
          if (e - 1 >= d + 2) gained += half(e - 1) + half(e);
          if (e >= d + 2 && gained >= 100 - 1e-9) {
            end = e;
            break;
          }
        }
        expect(track.end[d], `day ${d}`).toBe(end);
        if (end !== NONE) expect(endFrom(track, 100, d + 2, row, 0, blockOf, DAYS)).toBe(end);
      }
    }
  });

  it('a set-point above the crop’s most is no place for it', () => {
    refreshTrack(track, stage, new Uint8Array(10).fill(2), 0, blockOf, DAYS);
    expect(track.end.every((e) => e === NONE)).toBe(true);
    expect(track.bad[0]).toBe(0);
  });
});

describe('an instance that cannot be', () => {
  const good = madeUpSeason({ batches: 3, places: 4, days: 120, seed: 1 });
  const wrong = (change: Partial<Instance>) => () => makeProblem({ ...good, ...change });
  it('is refused by quantity and value', () => {
    expect(wrong({ days: 0 })).toThrow(/days is 0/);
    expect(wrong({ days: 1900, blockDays: 1 })).toThrow(/blocks is over 255/);
    expect(wrong({ places: [{ ...good.places[0]!, room_slots: NaN }] })).toThrow(/room of .* is NaN/);
    expect(wrong({ places: [{ ...good.places[0]!, row: [0] }] })).toThrow(/set-points for 1 of/);
    expect(wrong({ batches: [{ ...good.batches[0]!, slots: [1] }] })).toThrow(/as many tray spaces/);
    expect(wrong({ batches: [{ ...good.batches[0]!, slots: good.batches[0]!.slots.map(() => -1) }] })).toThrow(
      /tray spaces of .* is -1/,
    );
    expect(wrong({ batches: [{ ...good.batches[0]!, stages: good.batches[0]!.stages.map(() => 999) }] })).toThrow(
      /not there/,
    );
  });
});

describe('a state', () => {
  it('will not change the set-point under what stands there, and puts a row back as it was', () => {
    const problem = makeProblem(madeUpSeason({ batches: 8, places: 8, days: 200, seed: 6 }));
    const state = construct(problem);
    const at = state.count.findIndex(
      (n, i) => n > 0 && problem.instance.places[Math.floor(i / problem.blocks)]!.levels.length > 1,
    );
    const p = Math.floor(at / problem.blocks);
    const b = at % problem.blocks;
    expect(() => setRow(state, p, b, b + 1, 0)).toThrow(/take out what stands there first/);
    const before = costOf(state);
    const plans = problem.tasks.map((task) => removePlan(state, task.index));
    const row = state.rows.slice(p * problem.blocks, (p + 1) * problem.blocks);
    setRow(state, p, 0, problem.blocks, 0);
    restoreRow(state, p, row, ++problem.versions);
    expect(plans.filter(Boolean).length).toBeGreaterThan(4);
    expect(state.heat).toBeCloseTo(0, 9);
    expect(costOf(state)).toBeGreaterThan(before);
  });
});

describe('what a stay costs in heat', () => {
  it('is what heat and set-point changes come to when it is added, wherever and whenever: 400 stays', () => {
    const problem = makeProblem(madeUpSeason({ batches: 12, places: 8, days: 120, seed: 4 }));
    const random = seededRandom(9);
    const draw = (n: number) => Math.floor(random() * n);
    const { blocks, blockOf, days: D } = problem;
    const heated = problem.instance.places.flatMap((place, p) => (place.levels.length > 1 ? [p] : []));
    let changed = 0;
    for (let round = 0; round < 20; round++) {
      const state = emptyState(problem);
      for (const p of heated)
        for (let b = 0; b < blocks; b++) setRow(state, p, b, b + 1, draw(problem.instance.places[p]!.levels.length));
      const stay = (task: number, p: number, d: number, e: number) => {
        const { stageCount: K } = problem.tasks[task]!;
        const places = new Int16Array(K).fill(NONE).fill(p, 0, 1);
        const days = new Int16Array(K + 1).fill(NONE).fill(d, 0, 1).fill(e, 1, 2);
        addPlan(state, { task, places, days, waits: new Int16Array(K), price: 0, toll: 0, forced: true });
      };
      // A few stand there already, with gaps between them.
      for (let task = 1; task < 5; task++) {
        const d = draw(D - 30);
        stay(task, heated[draw(heated.length)]!, d, d + 1 + draw(25));
      }
      for (let i = 0; i < 20; i++) {
        const p = heated[draw(heated.length)]!;
        const d = draw(D - 30);
        const e = d + 1 + draw(29);
        freshHeat(state, p);
        const at = p * blocks;
        const asked = state.heatTo[at + blockOf[e - 1]!]! - state.heatFrom[at + blockOf[d]!]!;
        const before = state.heat + state.changes;
        const { changes } = state;
        stay(0, p, d, e);
        expect(asked).toBeCloseTo(state.heat + state.changes - before, 9);
        if (state.changes !== changes) changed++;
        removePlan(state, 0);
      }
    }
    expect(changed).toBeGreaterThan(100);
  });
});

describe('one change and making room for it', () => {
  const instance = madeUpSeason({ batches: 60, places: 10, days: 220, seed: 12 });
  const problem = makeProblem(instance);
  const state = construct(problem);
  improveAll(state, { seed: 1, moves: 1500 });
  const scratch = makeScratch(problem);

  it('gives the batch what was asked, moves few others, says when it is still over, and can be undone', () => {
    const random = seededRandom(5);
    const seen = new Set<string>();
    for (let i = 0; i < 80; i++) {
      const task = problem.tasks[Math.floor(random() * 60)]!;
      const plan = state.plans[task.index];
      if (!plan) continue;
      const before = solutionOf(state);
      const k = Math.floor(random() * task.stageCount);
      const list = instance.stages[task.spec.stages[k]!]!.places;
      const places = Int16Array.from(plan.places, (_, j) =>
        j === k ? list[Math.floor(random() * list.length)]! : NONE,
      );
      const outcome = repair(state, task.index, { places }, scratch);
      seen.add(outcome.kind);
      const verdict = checkPlan(instance, solutionOf(state));
      if (outcome.kind === 'no way') expect(solutionOf(state)).toEqual(before);
      else {
        expect(state.plans[task.index]!.places[k]).toBe(places[k]);
        expect(outcome.moved.length).toBeLessThanOrEqual(5);
        expect(costOf(state) - before.cost.total).toBeCloseTo(outcome.cost, 6);
        if (outcome.kind === 'over') expect(verdict.over_slotDays).toBeGreaterThan(0);
        else expect(verdict.faults).toEqual([]);
        undoRepair(state, outcome);
      }
      expect(solutionOf(state).batches).toEqual(before.batches);
      expect(costOf(state)).toBeCloseTo(before.cost.total, 6);
    }
    expect(seen.has('clear') && seen.has('made room')).toBe(true);
  });

  it('offers change nothing by being made, and cost what taking them costs', () => {
    const before = solutionOf(state);
    const busiest = { place: 1, from: 100, to: 120 };
    const offers = offersForRoom(state, busiest, scratch);
    const unplaced = problem.tasks.find((task) => state.plans[task.index] === null);
    if (unplaced) expect(offersForUnplaced(state, unplaced.index, scratch).length).toBeGreaterThanOrEqual(0);
    expect(offers.length).toBeLessThanOrEqual(3);
    expect(solutionOf(state).batches).toEqual(before.batches);
    expect(costOf(state)).toBeCloseTo(before.cost.total, 6);
  });
});

describe('the pool', () => {
  it('holds each plan once for the set-points it was made for, up to its most', () => {
    const problem = makeProblem(madeUpSeason({ batches: 6, places: 8, days: 200, seed: 2 }));
    const pool = makePool(problem);
    const state = construct(problem);
    for (let i = 0; i < 3; i++) for (const plan of state.plans) if (plan) addToPool(pool, state, plan);
    expect(pool.byTask.map((list) => list.length)).toEqual(state.plans.map((plan) => (plan ? 1 : 0)));
    const plan = state.plans.find(Boolean)!;
    const needs = needsOf(state, plan);
    for (let i = 0; i < needs.length; i += 3) {
      expect(state.rows[needs[i]! * problem.blocks + needs[i + 1]!]).toBe(needs[i + 2]);
      expect(problem.instance.places[needs[i]!]!.levels.length).toBeGreaterThan(1);
    }
    improveAll(state, { seed: 1, moves: 400, onPlan: (found, one) => addToPool(pool, found, one, 7) });
    expect(Math.max(...pool.byTask.map((list) => list.length))).toBeLessThanOrEqual(7);
  });
});

describe('what heat costs by day and by night', () => {
  it('is each at its own price: 0.32 by day and 0.09 by night are 0.205 on the mean', () => {
    const prices = { heat_perkWh: 0.205, heatNight_factor: 0.09 / 0.205 };
    expect(heatMoney({ day_kWh: 10, night_kWh: 0 }, prices)).toBeCloseTo(3.2, 9);
    expect(heatMoney({ day_kWh: 0, night_kWh: 10 }, prices)).toBeCloseTo(0.9, 9);
    expect(heatMoney({ day_kWh: 4, night_kWh: 6 }, { heat_perkWh: 0.3 })).toBeCloseTo(3, 9);
  });
});
