import loadHighs from 'highs';
import { madeUpSeason, madeUpSeasonWithRule, type SeasonSize } from '../simulators/placementSeasons.ts';
import { seededRandom } from '../src/core/numerics/random.ts';
import { boundSteps, FULL_BOUND_STEPS, gapOf_frac, heatedWeeksBound } from '../src/core/plan/placement/bound.ts';
import { FULL_BOUND_MOST, fullBound } from '../src/core/plan/placement/fullBound.ts';
import { construct } from '../src/core/plan/placement/construct.ts';
import { improveAll, isLeftOut, putInto, type SearchOptions } from '../src/core/plan/placement/improve.ts';
import { bestPlan, makeScratch, type Terms } from '../src/core/plan/placement/insert.ts';
import { addToPool, makePool, type Pool } from '../src/core/plan/placement/pool.ts';
import { makeProblem, type Problem } from '../src/core/plan/placement/problem.ts';
import { repair, undoRepair } from '../src/core/plan/placement/repair.ts';
import { solutionOf } from '../src/core/plan/placement/solution.ts';
import { addPlan, costOf, removePlan, type State } from '../src/core/plan/placement/state.ts';
import { overRoom } from '../src/core/plan/schedule/roomUse.ts';
import { solvePool } from '../src/workers/solvePool.ts';
import { checkPlan } from '../src/core/plan/placement/checkPlan.ts';
import { byRuleOfWeeks } from './ruleOfWeeks.ts';

/** One measured thing, run in a process of its own: node bench/placementTasks.ts '{"task":...}' prints one line of JSON. */
const TASKS: Readonly<Record<string, (input: Input) => unknown>> = {
  firstPlan,
  longRun,
  insertion,
  smallPool,
  twenty,
  fixedSetPoints,
  proved,
  ruleOfWeeks,
  drag,
  memory,
};
interface Input extends SeasonSize {
  readonly task: string;
  readonly seconds?: number;
  readonly short?: number;
}

const BIG = { places: 20, days: 220 } as const;
const now = (): number => performance.now();
const sound = (problem: Problem, state: State): number => checkPlan(problem.instance, solutionOf(state)).faults.length;

/** First complete plan: made ready and placed, cold (first thing this process does) and warm. */
function firstPlan({ batches, places, days, seed }: Input): object {
  const once = (s: number) => {
    const instance = madeUpSeason({ batches, places, days, seed: s });
    const start = now();
    const problem = makeProblem(instance);
    const state = construct(problem);
    return { ms: now() - start, unplaced: state.plans.filter((p) => !p).length, faults: sound(problem, state) };
  };
  const cold = once(seed);
  const warm = [1, 2, 3].map((i) => once(seed + i));
  return { cold_ms: cold.ms, warm_ms: median(warm.map((w) => w.ms)), unplaced: cold.unplaced, faults: cold.faults };
}

/**
 * The search for so many seconds: moves are counted from the rate of a short search of its own first, run twice so that
 * the interpreter is warm, so that cooling fits the time. Says how long it really took.
 */
function searchFor(problem: Problem, seconds: number, seed: number, pool?: Pool, most?: number): Searched {
  const timed = (moves: number, of: number, onPlan?: SearchOptions['onPlan']) => {
    const state = construct(problem);
    const start = now();
    improveAll(state, { seed: of, moves, ...(onPlan ? { onPlan } : {}) });
    return { state, seconds: (now() - start) / 1000 };
  };
  const trialMoves = Math.max(100, Math.min(2000, seconds * 200));
  timed(trialMoves, 98);
  const trial = timed(trialMoves, 99);
  const moves = Math.max(100, Math.round((trialMoves / trial.seconds) * seconds));
  return timed(moves, seed, pool && ((state, plan) => addToPool(pool, state, plan, most)));
}
interface Searched {
  readonly state: State;
  readonly seconds: number;
}

function longRun({ batches, seed, seconds = 120, short = 10 }: Input): object {
  const problem = makeProblem(madeUpSeason({ batches, ...BIG, seed }));
  const first = costOf(construct(problem));
  const a = searchFor(problem, short, seed);
  const b = searchFor(problem, seconds, seed);
  return {
    first,
    short: costOf(a.state),
    short_s: a.seconds,
    long: costOf(b.state),
    long_s: b.seconds,
    gap: costOf(a.state) / costOf(b.state) - 1,
    faults: sound(problem, a.state) + sound(problem, b.state),
  };
}

/** One batch taken out of a searched season and put back, over and over, as the search does it. */
function insertion({ batches, seed }: Input): object {
  const problem = makeProblem(madeUpSeason({ batches, ...BIG, seed }));
  const state = construct(problem);
  improveAll(state, { seed, moves: 4000 });
  const bench = makeScratch(problem);
  const times: number[] = [];
  for (let i = 0; i < 12_000; i++) {
    const task = problem.tasks[(i * 37) % batches]!;
    const old = removePlan(state, task.index);
    const start = now();
    const plan = bestPlan(state, task, bench, undefined, old);
    times.push((now() - start) * 1000);
    if (plan ?? old) addPlan(state, (plan ?? old)!);
  }
  const late = times.slice(2000);
  return { median_us: median(late), p95_us: quantile(late, 0.95) };
}

/** Our search against the best choice among a pool of plans from several searches, proved by HiGHS. */
async function smallPool({ batches, seed }: Input): Promise<object> {
  const problem = makeProblem(madeUpSeason({ batches, places: 8, days: 220, seed }));
  const pool = makePool(problem);
  const own = construct(problem);
  improveAll(own, { seed: 1, moves: 12_000, onPlan: (s, plan) => addToPool(pool, s, plan, 250) });
  // More searches until each batch has a hundred plans, or no more are found.
  for (let s = 2; s < 14 && Math.min(...pool.byTask.map((list) => list.length)) < 100; s++) {
    const other = construct(problem);
    improveAll(other, { seed: s, moves: 1500, onPlan: (found, plan) => addToPool(pool, found, plan, 250) });
  }
  fillPool(pool, own);
  for (const plan of own.plans) if (plan) addToPool(pool, own, plan, Infinity);
  const cost = costOf(own);
  const all = new Set(problem.tasks.map((task) => task.index));
  const start = now();
  const answer = solvePool(await loadHighs(), pool, own, all, 60);
  return {
    cost,
    optimum: answer.cost,
    proven: answer.kind === 'proven',
    gap: answer.kind === 'proven' ? cost / answer.cost - 1 : null,
    solve_s: (now() - start) / 1000,
    leastPlans: Math.min(...pool.byTask.map((list) => list.length)),
    plans: answer.plans_count,
    faults: sound(problem, own),
  };
}

/** Adds plans a search has no reason to try: each batch alone with chance set-points, dates and places. */
function fillPool(pool: Pool, base: State): void {
  const { problem } = pool;
  const random = seededRandom(7);
  const bench = makeScratch(problem);
  const state = construct(problem);
  putInto(state, base.plans, base.rows);
  for (const task of problem.tasks) {
    for (let tries = 0; tries < 400 && pool.byTask[task.index]!.length < 100; tries++) {
      const old = removePlan(state, task.index);
      const days = new Int16Array(task.stageCount + 1).fill(-1);
      const k = task.first + Math.floor(random() * (task.stageCount - task.first + 1));
      days[k] = task.lo[k]! + Math.floor(random() * (task.hi[k]! - task.lo[k]! + 1));
      const places = task.spec.stages.map((stage) => {
        const list = problem.instance.stages[stage]!.places;
        return random() < 0.4 ? list[Math.floor(random() * list.length)]! : -1;
      });
      const plan = bestPlan(state, task, bench, { days, places });
      if (plan) addToPool(pool, state, plan, 250);
      if (old) addPlan(state, old);
    }
  }
}

/** 20 batches: ours in 2 s against the best of ours in 60 s and of HiGHS on the merged pool in 60 s. */
async function twenty({ seed, seconds = 60, short = 2 }: Input): Promise<object> {
  const problem = makeProblem(madeUpSeason({ batches: 20, places: 8, days: 220, seed }));
  const { state: quick } = searchFor(problem, short, 1);
  const pool = makePool(problem);
  const { state: long } = searchFor(problem, seconds, 2, pool, 200);
  const cost = costOf(quick);
  const ownLong = costOf(long);
  const best = ownLong < cost ? long : quick;
  for (const state of [quick, long]) for (const plan of state.plans) if (plan) addToPool(pool, state, plan, Infinity);
  const answer = solvePool(await loadHighs(), pool, best, new Set(problem.tasks.map((t) => t.index)), seconds);
  const least = Math.min(cost, ownLong, answer.cost);
  return { cost, ownLong, pool: answer.cost, kind: answer.kind, gap: cost / least - 1, faults: sound(problem, quick) };
}

/** 100 batches: what HiGHS still improves when the set-points found are kept. */
async function fixedSetPoints({ batches, seed, seconds = 30 }: Input): Promise<object> {
  const problem = makeProblem(madeUpSeason({ batches, places: 12, days: 220, seed }));
  const { state: own } = searchFor(problem, seconds, seed);
  const pool = makePool(problem);
  // Plans for the set-points found: searches that leave them alone.
  for (let s = 1; s <= 3; s++) {
    const other = construct(problem);
    putInto(other, own.plans, own.rows);
    improveAll(other, {
      seed: s,
      moves: 3000,
      setPoints: false,
      onPlan: (found, plan) => addToPool(pool, found, plan, 80),
    });
  }
  for (const plan of own.plans) if (plan) addToPool(pool, own, plan, Infinity);
  const cost = costOf(own);
  const answer = solvePool(await loadHighs(), pool, own, new Set(problem.tasks.map((t) => t.index)), 30);
  return {
    cost,
    after: answer.cost,
    improved: Math.max(0, 1 - answer.cost / cost),
    kind: answer.kind,
    plans: answer.plans_count,
  };
}

/** How near a plan is proved to be to the cheapest there can be: with its weeks heated as planned, and in small seasons at all. */
function proved({ batches, places, seed, seconds = 10 }: Input): object {
  const problem = makeProblem(madeUpSeason({ batches, places, days: 220, seed }));
  const { state } = searchFor(problem, seconds, seed);
  const cost = costOf(state);
  const start = now();
  const bound = ended(heatedWeeksBound(state, boundSteps(batches)))!;
  const bound_s = (now() - start) / 1000;
  const full = batches > FULL_BOUND_MOST ? null : ended(fullBound(state, FULL_BOUND_STEPS));
  return {
    cost,
    leftOut: problem.tasks.filter((task) => isLeftOut(state, task)).length,
    gap: gapOf_frac(cost, bound),
    bound_s,
    fullGap: full === null ? null : gapOf_frac(cost, full),
    full_s: (now() - start) / 1000 - bound_s,
  };
}

function ended<T>(run: Generator<unknown, T>): T {
  for (;;) {
    const { done, value } = run.next();
    if (done === true) return value;
  }
}

function ruleOfWeeks({ batches, places, days, seed, seconds = 10 }: Input): object {
  const { instance, ruleDays } = madeUpSeasonWithRule({ batches, places, days, seed });
  const problem = makeProblem(instance);
  const { state: own } = searchFor(problem, seconds, seed);
  const verdict = checkPlan(instance, solutionOf(own));
  const rule = byRuleOfWeeks(instance, ruleDays);
  return {
    ours: {
      over_slotDays: verdict.over_slotDays,
      heat_kWh: verdict.heat_kWh,
      late_trayDays: verdict.late_trayDays,
      unplaced: verdict.unplaced,
      faults: verdict.faults.length,
    },
    rule,
    heat_ratio: verdict.heat_kWh / rule.heat_kWh,
    heatOfRoomTaken_ratio: verdict.heat_kWh / rule.heatOfRoomTaken_kWh,
  };
}

/** A batch dragged in a season of 400: the answer while it is held, and what making room for it takes. */
function drag({ batches, seed }: Input): object {
  const problem = makeProblem(madeUpSeason({ batches, ...BIG, seed }));
  const state = construct(problem);
  improveAll(state, { seed, moves: 6000 });
  const bench = makeScratch(problem);
  const random = seededRandom(seed);
  const previews: number[] = [];
  const repairs: number[] = [];
  const moved: number[] = [];
  const kinds: Record<string, number> = {};
  for (let i = 0; i < 400; i++) {
    const task = problem.tasks[Math.floor(random() * batches)]!;
    const plan = state.plans[task.index];
    if (!plan) continue;
    const k = Math.floor(random() * task.stageCount);
    const { places: candidates } = problem.instance.stages[task.spec.stages[k]!]!;
    const places = Int16Array.from(plan.places, (p, j) =>
      j === k && random() < 0.5 ? candidates[Math.floor(random() * candidates.length)]! : p,
    );
    const days = new Int16Array(task.stageCount + 1).fill(-1);
    days[k] = Math.max(0, plan.days[k]! + Math.floor(random() * 15) - 7);
    const terms: Terms = { places, days };
    let start = now();
    const old = removePlan(state, task.index)!;
    bestPlan(state, task, bench, { ...terms, ignoreRoom: true });
    const stands = state.plans.flatMap((p) =>
      p ? Array.from(p.places, (placeId, j) => ({ placeId, from: p.days[j]!, to: p.days[j + 1]!, slots: 1 })) : [],
    );
    overRoom(
      stands,
      problem.instance.places.map((p, id) => ({ id, room_trays: p.room_slots })),
      0,
      problem.days,
    );
    previews.push(now() - start);
    addPlan(state, old);
    start = now();
    const outcome = repair(state, task.index, terms, bench);
    repairs.push(now() - start);
    kinds[outcome.kind] = (kinds[outcome.kind] ?? 0) + 1;
    if (outcome.kind === 'clear' || outcome.kind === 'made room') moved.push(outcome.moved.length);
    undoRepair(state, outcome);
  }
  return {
    preview_p95_ms: quantile(previews, 0.95),
    repair_p50_ms: median(repairs),
    repair_p95_ms: quantile(repairs, 0.95),
    moved_median: median(moved),
    moved_most: Math.max(...moved),
    kinds,
    faults: sound(problem, state),
  };
}

function memory({ batches, seed }: Input): object {
  const used = () => {
    globalThis.gc?.();
    const m = process.memoryUsage();
    return (m.heapUsed + m.external + m.arrayBuffers) / 1e6;
  };
  const before = used();
  const problem = makeProblem(madeUpSeason({ batches, ...BIG, seed }));
  const state = construct(problem);
  improveAll(state, { seed, moves: 1500 });
  const after = used();
  return { used_MB: after - before, plans: state.plans.filter(Boolean).length };
}

function quantile(values: readonly number[], q: number): number {
  const list = [...values].sort((a, b) => a - b);
  return list[Math.min(list.length - 1, Math.floor(q * list.length))] ?? NaN;
}
function median(values: readonly number[]): number {
  return quantile(values, 0.5);
}

const input = JSON.parse(process.argv[2] ?? '{}') as Input;
const task = TASKS[input.task];
if (!task) throw new Error(`no such task: ${input.task}`);
process.stdout.write(`${JSON.stringify(await task(input))}\n`);
process.exit(0);
