import type { Stage } from '../core/plan/stage.ts';
import type { BoundReport } from '../core/plan/placement/ascent.ts';
import { boundSteps, FULL_BOUND_STEPS, gapOf_frac, heatedWeeksBound } from '../core/plan/placement/bound.ts';
import { FULL_BOUND_MOST, fullBound } from '../core/plan/placement/fullBound.ts';
import { construct, insert } from '../core/plan/placement/construct.ts';
import { improve, isLeftOut, putInto } from '../core/plan/placement/improve.ts';
import type { InsertionScratch } from '../core/plan/placement/insert.ts';
import { offersForUnplaced } from '../core/plan/placement/offers.ts';
import { addToPool, makePool, type Pool } from '../core/plan/placement/pool.ts';
import { presentState } from '../core/plan/placement/present.ts';
import { addLonePlans } from '../core/plan/placement/lonePlans.ts';
import { checkPlan } from '../core/plan/placement/checkPlan.ts';
import { settle } from '../core/plan/placement/settle.ts';
import { STEP_OF } from '../core/plan/placement/steps.ts';
import { proposalOf, proposedBatch, type ProposedBatch } from '../core/plan/placement/proposal.ts';
import { repair } from '../core/plan/placement/repair.ts';
import { solutionOf, staysOf, type Solution } from '../core/plan/placement/solution.ts';
import { costOf, removePlan, type State } from '../core/plan/placement/state.ts';
import { NONE } from '../core/plan/placement/track.ts';
import type {
  ExactAnswer,
  MakeRoomAnswer,
  MakeRoomRequest,
  PlanAnswer,
  PlanReport,
  PlanRequest,
  ProvedBound,
} from '../contracts/plan/planner.ts';
import { offerCopies } from './appliedOffer.ts';
import { withoutKept } from './keptWeeks.ts';
import { prepare, shown, type Prepared } from './prepared.ts';
import { WORDS } from '../words/en/house/seasonPlanner.ts';

/** Chooses among a pool of plans; the exact solver, handed in so that this file needs none. */
export type Choose = (pool: Pool, state: State, free: ReadonlySet<number>, seconds: number) => ExactAnswer;

/** Moves of the usual search, and how many times as many when looking harder. */
const MOVES_BASE = 6000;
const MOVES_PER_BATCH = 40;
const HARDER = 4;
/** Searches that feed the pool when looking harder. */
const POOL_SEARCHES = 3;
/** Most batches among whose plans the exact solver chooses. */
const EXACT_MOST = 24;
const EXACT_SECONDS = 20;
/** A plan must be cheaper than what there is by this to be worth taking. */
const ALIKE_frac = 0.01;
const ALIKE_money = 2;
/** Plans of single batches in an empty house that are put before it as well, over all batches. */
const LONE_PLANS = 6000;

/** Plans the season: places everything not pinned, then improves. Yields reports between; returns the answer. */
export function* planSeason(request: PlanRequest, choose: Choose | null): Generator<PlanReport, PlanAnswer, void> {
  const sure_frac = request.sure_frac ?? request.house.planning.sure_frac;
  const { keep = [] } = request;
  const planning = { ...request.house.planning, sure_frac };
  const prepared = prepare({ ...request, house: { ...request.house, planning } }, keep);
  const { problem, season, batches, scratch } = prepared;
  const only = request.only ? standingBetween(prepared, request.only) : undefined;
  const harder = request.look === 'harder';
  const live = only ? only.size : problem.tasks.length;
  const moves = (MOVES_BASE + MOVES_PER_BATCH * live) * (harder ? HARDER : 1);
  const pool = harder && choose && live <= EXACT_MOST ? makePool(problem) : null;
  const searches = pool ? POOL_SEARCHES : 1;
  let best: State | null = null;
  for (let s = 0; s < searches; s++) {
    const state = only ? freed(presentState(problem, season, batches), only, scratch) : construct(problem, scratch);
    const run = improve(state, {
      seed: request.seed + s,
      moves,
      reportEvery: Math.max(20, Math.round(moves / 100)),
      setPoints: request.setPoints && !only,
      ...(only ? { only } : {}),
      ...(pool ? { onPlan: (found: State, plan) => addToPool(pool, found, plan, 250) } : {}),
    });
    for (const report of run) {
      yield {
        done_frac: ((s + report.move / report.moves) / searches) * (pool ? 0.8 : harder && !only ? 0.9 : 1),
        words: searches > 1 ? WORDS.searchOf(s + 1, searches) : WORDS.tryingOtherWays,
      };
    }
    if (!best || costOf(state) < costOf(best)) best = state;
  }
  let state = best!;
  let exact: ExactAnswer | null = null;
  if (harder && !pool) exact = { kind: 'too many', plans_count: 0, gap_frac: null };
  if (pool && choose) {
    yield { done_frac: 0.85, words: WORDS.theExactSolverChoosesAmong };
    for (const plan of state.plans) if (plan) addToPool(pool, state, plan, Infinity);
    addLonePlans(pool, state, scratch, Math.round(LONE_PLANS / Math.max(1, live)), request.seed);
    exact = choose(pool, state, only ?? new Set(problem.tasks.map((task) => task.index)), EXACT_SECONDS);
  }
  const before = presentState(problem, season, batches);
  settle(state, before, (task) => only?.has(task.index) ?? true);
  // What stands already and costs hardly more is not planned anew.
  if (isSound(prepared, before) && costOf(before) <= costOf(state) * (1 + ALIKE_frac) + ALIKE_money) state = before;
  const bound = harder && !only ? yield* proved(state) : null;
  const solution = solutionOf(state);
  // What is pinned or kept may leave others no way out of what is wrong already.
  const partly = only !== undefined || problem.tasks.some((task) => task.spec.pinned);
  requireSound(prepared, solution, partly ? solutionOf(before) : null);
  const whole = proposalOf(season, solution, prepared.plans, request.house.places, request.house.planning.idle_C);
  // Asked for part of the season, nothing is said of the rest: not even the days it has already.
  const mayMove = (id: number) => !only || only.has(season.batches.findIndex((batch) => batch.id === id));
  const proposal = {
    ...whole,
    batches: whole.batches.filter((b) => mayMove(b.id)),
    unplaced: whole.unplaced.filter(mayMove),
    setPoints: only ? [] : withoutKept(whole.setPoints, keep),
  };
  const copyWith = offerCopies(request, prepared);
  const offers = proposal.unplaced.map((batchId) => {
    const index = season.batches.findIndex((batch) => batch.id === batchId);
    const found = offersForUnplaced(state, index, scratch).map((offer) => shown(prepared, offer));
    return { batchId, offers: found.map((offer) => ({ ...offer, price: copyWith(offer).price })) };
  });
  return {
    proposal,
    cost: solution.cost,
    seed: request.seed,
    sure_frac,
    sown: meanSown(prepared, state),
    moves: moves * searches,
    exact,
    bound,
    offers,
  };
}

/** What can be proved of a plan with its weeks heated as it heats them, and in a small season of any. */
function* proved(state: State): Generator<PlanReport, ProvedBound | null, void> {
  const { tasks } = state.problem;
  const small = tasks.filter((task) => !task.spec.pinned).length <= FULL_BOUND_MOST;
  const gap_frac = gapOf_frac(
    costOf(state),
    yield* said(heatedWeeksBound(state, boundSteps(tasks.length)), 0.9, small ? 0.03 : 0.1),
  );
  if (gap_frac === null) return null;
  const any = small ? yield* said(fullBound(state, FULL_BOUND_STEPS), 0.93, 0.07) : null;
  return {
    gap_frac,
    anyWeeksGap_frac: any === null ? null : gapOf_frac(costOf(state), any),
    leftOut_count: tasks.filter((task) => isLeftOut(state, task)).length,
  };
}

/** Runs a bound and says how far it is, from one share of the whole over another. */
function* said<T>(run: Generator<BoundReport, T>, from: number, over: number): Generator<PlanReport, T, void> {
  for (;;) {
    const { done, value } = run.next();
    if (done === true) return value;
    yield { done_frac: from + (over * value.step) / value.steps, words: WORDS.howMuchCheaperItCould };
  }
}

/** Mean day of the sowings still to come. */
function meanSown({ season, problem }: Prepared, state: State): number | null {
  const days = problem.tasks.flatMap(({ index, spec, first }) => {
    const plan = state.plans[index];
    return plan && first === 0 && !spec.inProgress && spec.startsOn === undefined ? [season.from + plan.days[0]!] : [];
  });
  return days.length === 0 ? null : days.reduce((a, b) => a + b, 0) / days.length;
}

/** Whether everything goes out in the days looked at, by a plan that passes the checker. */
function isSound({ season, problem }: Prepared, state: State): boolean {
  const all = problem.tasks.every(({ index, spec, stageCount, hi }) => {
    const out = state.plans[index]?.days[stageCount] ?? NONE;
    return spec.pinned !== undefined || (out !== NONE && out <= hi[stageCount]!);
  });
  return all && checkPlan(season.instance, solutionOf(state)).faults.length === 0;
}

/**
 * The plain checker goes over every plan before it is shown. What stands over room because the grower pinned it, or because
 * it is there already, is no fault of the plan.
 * @param given the season as it is, where only part of it may be moved: what is wrong there already is not the plan's doing, as
 *   long as it is no more over room for it
 * @throws Error naming what is wrong; nothing is shown then
 */
function requireSound({ season }: Prepared, solution: Solution, given: Solution | null): void {
  const { faults: found, over_slotDays } = checkPlan(season.instance, solution);
  const known = given && checkPlan(season.instance, given);
  const faults = found.filter((fault) => !known?.faults.includes(fault));
  if (known && over_slotDays > known.over_slotDays + 1e-6) faults.push(WORDS.itIsMoreOverRoom);
  if (faults.length === 0) return;
  const more = faults.length > 1 ? WORDS.andMore(faults.length - 1) : '';
  throw new Error(WORDS.thePlanDidNotPass(faults[0], more));
}

/** Gives one batch what the grower wants and says which others would have to move for it. */
export function makeRoom(request: MakeRoomRequest): MakeRoomAnswer {
  const prepared = prepare(request);
  const { problem, season, batches, scratch, plans } = prepared;
  const state = presentState(problem, season, batches);
  const index = season.batches.findIndex((batch) => batch.id === request.batchId);
  const task = problem.tasks[index];
  if (!task || task.spec.pinned) return { kind: 'no way', batches: [], cost: 0 };
  const { stages } = season.batches[index]!;
  const { places, steps } = request.wanted;
  const wantedPlaces = stages.map((stage) => {
    const id = stage === 'space' ? (places.space ?? places.pot) : places[stage];
    return season.placeIds.indexOf(id ?? NONE);
  });
  const days = [...stages.map((stage: Stage) => steps[STEP_OF[stage]]), steps.plant].map((day) =>
    day === undefined ? NONE : day - season.from,
  );
  const outcome = repair(state, index, { places: wantedPlaces, days }, scratch);
  if (outcome.kind === 'no way') return { kind: 'no way', batches: [], cost: 0 };
  const proposed = [index, ...outcome.moved].flatMap((i): ProposedBatch[] => {
    const plan = state.plans[i];
    const one = problem.tasks[i]!;
    if (!plan || plan.days[one.stageCount] === NONE) return [];
    return [proposedBatch(season, i, staysOf(one, plan), plan.days[one.stageCount]!, plans.get(one.spec.id)!)];
  });
  return { kind: outcome.kind, batches: proposed, cost: outcome.cost };
}

/** Batches that stand in a place between two days and may be moved. */
function standingBetween(
  { season, problem, batches }: Prepared,
  only: NonNullable<PlanRequest['only']>,
): ReadonlySet<number> {
  const found = problem.tasks.filter((task) => {
    const batch = batches.get(season.batches[task.index]!.id)!;
    if (task.spec.pinned) return false;
    return batch.progress.stands.some((s) => s.placeId === only.placeId && s.from < only.to && s.to > only.from);
  });
  return new Set(found.map((task) => task.index));
}

/** The present plan with some batches taken out and put back within the room there is. */
function freed(state: State, only: ReadonlySet<number>, scratch: InsertionScratch): State {
  for (const index of only) removePlan(state, index);
  const { tasks } = state.problem;
  for (const index of only) insert(state, tasks[index]!, scratch);
  putInto(state, [...state.plans], state.rows.slice());
  return state;
}
