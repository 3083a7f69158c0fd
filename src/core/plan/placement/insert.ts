import { NEAR_OVER_AGE } from './instance.ts';
import {
  ageingPrice,
  crowdedIn,
  freshHeat,
  freshTrack,
  overtimePrice,
  tollPrice,
  tollRate,
  unplacedPrice,
  waitPrice,
  workOfPlan,
  type Plan,
  type State,
} from './state.ts';
import type { Problem, Task } from './problem.ts';
import { endFrom, NONE, type Track } from './track.ts';

/** How long a batch may wait on where it already is, when no sooner way is open. */
export const IN_PROGRESS_WAIT_days = 60;

/** What an insertion must keep to, besides room and temperature. */
export interface Terms {
  /** Place each stage must have; NONE = free. */
  readonly places?: ArrayLike<number>;
  /** Day each stage must be entered (last: the day it goes out); NONE = free. */
  readonly days?: ArrayLike<number>;
  /** Stage places the batch must not have: one bit each place, by stage. */
  readonly notPlaces?: readonly ReadonlySet<number>[];
  /** Takes room where there is none. */
  readonly ignoreRoom?: boolean;
  /** Window of days for entering each stage instead of the batch's own. */
  readonly lo?: ArrayLike<number>;
  readonly hi?: ArrayLike<number>;
}

/** Scratch for insertions, made once for a problem. Labels are the least price of entering a stage on a day. */
export interface InsertionScratch {
  /** best[k x D + d], over all places it may come from, and the place. */
  readonly best: Float64Array;
  readonly bestPlace: Int16Array;
  /**
   * at[(k x P + p) x D + d]: having been in place p before; the day it entered p; days waited there. Only where written[k x P + p]
   * is the number of this walk.
   */
  readonly at: Float64Array;
  readonly from: Int16Array;
  readonly waited: Int16Array;
  readonly written: Int32Array;
  walks: number;
  /** For each day of leaving the place looked at: first day on which it must be gone. */
  readonly last: Int16Array;
  /** For the place looked at: price of the room that would be overdrawn from each day on. */
  readonly overFrom: Float64Array;
}

export function makeScratch(problem: Problem): InsertionScratch {
  const { days: D, placeCount: P, mostStages: K } = problem;
  return {
    best: new Float64Array((K + 1) * D).fill(Infinity),
    bestPlace: new Int16Array((K + 1) * D),
    at: new Float64Array((K + 1) * P * D).fill(Infinity),
    from: new Int16Array((K + 1) * P * D),
    waited: new Int16Array((K + 1) * P * D),
    written: new Int32Array((K + 1) * P),
    walks: 0,
    last: new Int16Array(D + 2),
    overFrom: new Float64Array(D + 2),
  };
}

/**
 * The cheapest way for one batch through its stages, places and days, given the set-points and what stands there: a
 * dynamic programme over the days each stage is entered. No day over room, no day outside a stage's temperatures. Exact
 * but for one thing: a week's heat that two of its own stages share in one place is counted for each of them.
 * The state is not changed. null when there is no way.
 * @param before the plan it had, if it was taken out: a bound, since it may often be put back
 */
export function bestPlan(
  state: State,
  task: Task,
  scratch: InsertionScratch,
  terms: Terms = NO_TERMS,
  before?: Plan | null,
): Plan | null {
  const { spec } = task;
  if (terms !== NO_TERMS || spec.inProgress) return walk(state, task, scratch, terms, Infinity);
  const soft = state.overdrawn_perPart > 0;
  const unplaced = soft ? STAYS_IN * unplacedPrice(state.problem, task) : Infinity;
  const back = before ? atSetPoints(state, task, before) : null;
  const known = back ? priceNow(state, task, back) + TINY : Infinity;
  // The dearer a way may be the more days must be looked at: cheap ways are looked for first.
  for (const perTray of soft ? CHEAP_whenSoft : CHEAP_perTray) {
    const most = perTray * spec.trays;
    if (most >= unplaced || most * NOT_WORTH >= known) break;
    const plan = walk(state, task, scratch, terms, most);
    if (plan) return plan;
  }
  return walk(state, task, scratch, terms, Math.min(unplaced, known)) ?? (known < unplaced ? back : null);
}

/** Prices of a tray up to which ways are looked for first, and how much dearer the way known must be to make that worth it. */
const CHEAP_perTray = [1, 6];
const CHEAP_whenSoft = [6];
const NOT_WORTH = 8;
const TINY = 1e-9;
/**
 * While room may be overdrawn a batch is left out only when its way costs so many times as much as that: what is left out early
 * presses on nobody, and stays out when others have gone elsewhere.
 */
const STAYS_IN = 10;

/** A plan with its price at the set-points as they are now. */
function atSetPoints(state: State, task: Task, plan: Plan): Plan {
  const toll = tollPrice(state, task, plan.places, plan.days);
  return toll === plan.toll ? plan : { ...plan, price: plan.price + toll - plan.toll, toll };
}

/** What a plan that was taken out would cost if it were put back; Infinity when there is no room or the set-points no longer do. */
function priceNow(state: State, task: Task, plan: Plan): number {
  const { free, overdrawn_perPart: overdrawn, problem } = state;
  let { price } = plan;
  if (task.work_min)
    for (const [block, minutes] of workOfPlan(problem, plan)) price += overtimePrice(state, block, minutes);
  for (let k = task.first; k < task.stageCount; k++) {
    const p = plan.places[k]!;
    const d = plan.days[k]!;
    const e = plan.days[k + 1]!;
    if (e === NONE) return Infinity;
    const { end, bad } = freshTrack(state, task.spec.stages[k]!, p);
    if (end[d] !== e - plan.waits[k]! || bad[d]! < e) return Infinity;
    const slots = task.slots[k]!;
    const base = p * problem.days;
    price += slots * crowdedIn(state, p, d, e);
    for (let i = base + d; i < base + e; i++) {
      const over = slots - free[i]!;
      if (over <= 0) continue;
      if (overdrawn === 0) return Infinity;
      price += overdrawn * (over < slots ? over : slots);
    }
    if (problem.instance.places[p]!.levels.length === 1) continue;
    freshHeat(state, p);
    price += heatPrice(state, p, d, e);
  }
  return price;
}

const NO_TERMS: Terms = {};

function walk(state: State, task: Task, scratch: InsertionScratch, terms: Terms, most: number): Plan | null {
  const { problem } = state;
  const { days: D, placeCount: P, instance } = problem;
  const { best, bestPlace, at, from, waited, written, last } = scratch;
  const walkNumber = ++scratch.walks;
  const { spec, stageCount: K, first } = task;
  const days = terms.days;
  const lo = days ? fixedWhere(days, terms.lo ?? task.lo, K) : (terms.lo ?? task.lo);
  const hi = days ? fixedWhere(days, terms.hi ?? task.hi, K) : (terms.hi ?? task.hi);
  const move = instance.weights.move_perTray * spec.trays;
  const waitRate = instance.weights.wait_perTrayDay * spec.trays;
  const nearRate = waitRate * NEAR_OVER_AGE;
  const { blockOf } = problem;
  const { free, overdrawn_perPart: overdrawn, crowdedBefore, heatFrom, heatTo } = state;
  const soft = overdrawn > 0 && terms.ignoreRoom !== true;
  const overFrom = scratch.overFrom;
  const rate = tollRate(task);

  const { toGo } = task;
  let lo0 = lo[first]!;
  let hi0 = hi[first]!;
  if (!spec.inProgress) {
    while (lo0 <= hi0 && toGo[first * D + lo0]! > most) lo0++;
    while (lo0 <= hi0 && toGo[first * D + hi0]! > most) hi0--;
    if (lo0 > hi0) return null;
  }
  for (let d = lo0; d <= hi0; d++) {
    best[first * D + d] =
      task.work_min && !spec.inProgress ? overtimePrice(state, blockOf[d]!, task.work_min[first]!) : 0;
    bestPlace[first * D + d] = NONE;
  }
  // Days with a label: nothing before or after them need be looked at.
  let firstDay = lo0;
  let lastDay = hi0;
  for (let k = first; k < K; k++) {
    const stageIndex = spec.stages[k]!;
    const stage = instance.stages[stageIndex]!;
    const loK = Math.max(firstDay, lo[k]!);
    const hiK = Math.min(lastDay, hi[k]!);
    let soonestAll = D;
    let latestAll = NONE;
    const nextRow = (k + 1) * D;
    let loE = lo[k + 1]!;
    let hiE = hi[k + 1]!;
    while (loE <= hiE && toGo[nextRow + loE]! > most) loE++;
    while (loE <= hiE && toGo[nextRow + hiE]! > most) hiE--;
    for (let e = loE; e <= hiE; e++) best[nextRow + e] = Infinity;
    const inProgress = spec.inProgress !== undefined && k === first ? spec.inProgress : null;
    const labels = k * D;
    const carried = k > first ? move : 0;
    const forcedPlace = inProgress ? inProgress.place : (terms.places?.[k] ?? NONE);
    const not = terms.notPlaces?.[k];
    const slots = task.slots[k]!;
    const minutes = task.work_min ? task.work_min[k + 1]! : 0;
    const mostWait = stage.mostWait_days;
    // What stands there already, or comes on its day, cannot but wait.
    const waits = inProgress !== null || (k === first && spec.startsOn !== undefined);
    const limit = waits ? Math.max(mostWait, IN_PROGRESS_WAIT_days) : mostWait;
    const candidates = stage.places;
    const n = forcedPlace === NONE ? candidates.length : 1;
    for (let c = 0; c < n; c++) {
      const p = forcedPlace === NONE ? candidates[c]! : forcedPlace;
      if (forcedPlace === NONE && not?.has(p)) continue;
      const track = freshTrack(state, stageIndex, p);
      const { end, bad, tollBefore } = track;
      freshHeat(state, p);
      const base = ((k + 1) * P + p) * D;
      const before = (k * P + p) * D;
      const placeBefore = k * P + p;
      const known = k > first && written[placeBefore] === walkNumber;
      const heated = instance.places[p]!.levels.length > 1;
      const roomBase = p * D;
      const crowdedBase = p * (D + 1);
      const heatBase = p * problem.blocks;
      const hard = terms.ignoreRoom !== true && !soft && inProgress === null;
      // From the last day back, so that the next day without room, or the price of what is over it, is known at each day.
      let noRoom = hiE + 1;
      let soonest = hiE + 1;
      let latest = NONE;
      let overs = 0;
      for (let d = hiE; d >= loK; d--) {
        if (soft) {
          const over = slots - free[roomBase + d]!;
          if (over > 0) overs += overdrawn * (over < slots ? over : slots);
          overFrom[d] = overs;
        } else if (hard && free[roomBase + d]! < slots) noRoom = d;
        if (d > hiK) continue;
        let e = end[d]!;
        if (inProgress !== null) e = inProgressEnd(state, track, inProgress, d, p);
        if (e > noRoom || e < 0 || e > hiE) continue;
        let price = best[labels + d]! + carried;
        if (known && at[before + d]! < price) price = at[before + d]!;
        if (price === Infinity) continue;
        if (stage.fair_days !== undefined && inProgress === null) price += ageingPrice(problem, task, stage, e - d);
        const badDay = bad[d]!;
        const until = badDay < noRoom ? badDay : noRoom;
        let waits = 0;
        if (e < loE) {
          // Stays on until the first day looked at, if it may.
          waits = loE - e;
          if (waits > limit || loE > until) continue;
          for (let w = 1; w <= waits; w++) price += 2 * w > mostWait ? nearRate : waitRate;
          e = loE;
        }
        if (soft)
          price += overs - overFrom[e]! + slots * (crowdedBefore[crowdedBase + e]! - crowdedBefore[crowdedBase + d]!);
        if (tollBefore !== null) price += rate * (tollBefore[e]! - tollBefore[d]!);
        if (minutes > 0) price += overtimePrice(state, blockOf[e]!, minutes);
        if (heated && e > d) price += heatTo[heatBase + blockOf[e - 1]!]! - heatFrom[heatBase + blockOf[d]!]!;
        if (price + toGo[nextRow + e]! > most) continue;
        const label = base + e;
        if (latest === NONE) {
          at.fill(Infinity, base + loE, base + hiE + 1);
          written[placeBefore + P] = walkNumber;
        }
        if (e > latest) latest = e;
        // Of two ways alike in price the one that came later has stood there less long.
        if (price < at[label]!) {
          at[label] = price;
          from[label] = d;
          waited[label] = waits;
          last[e] = until;
          if (e < soonest) soonest = e;
        }
      }
      if (soonest < soonestAll) soonestAll = soonest;
      for (let e = soonest; e <= latest; e++) {
        const label = base + e;
        const price = at[label]!;
        if (price === Infinity) continue;
        if (price < best[nextRow + e]!) {
          best[nextRow + e] = price;
          bestPlace[nextRow + e] = p;
        }
        const w = waited[label]! + 1;
        if (e >= last[e]! || w > limit || e === hiE) continue;
        let longer = price + (2 * w > mostWait ? nearRate : waitRate);
        if (longer >= at[label + 1]!) continue;
        const d = from[label]!;
        if (heated && (e === d || blockOf[e] !== blockOf[e - 1])) {
          longer += heatPrice(state, p, d, e + 1) - heatPrice(state, p, d, e);
        }
        if (soft)
          longer +=
            overFrom[e]! -
            overFrom[e + 1]! +
            slots * (crowdedBefore[crowdedBase + e + 1]! - crowdedBefore[crowdedBase + e]!);
        if (tollBefore !== null) longer += rate * (tollBefore[e + 1]! - tollBefore[e]!);
        if (minutes > 0 && blockOf[e] !== blockOf[e + 1])
          longer += overtimePrice(state, blockOf[e + 1]!, minutes) - overtimePrice(state, blockOf[e]!, minutes);
        if (longer < at[label + 1]! && longer + toGo[nextRow + e + 1]! <= most) {
          at[label + 1] = longer;
          from[label + 1] = d;
          waited[label + 1] = w;
          last[e + 1] = last[e]!;
          if (e === latest) latest = e + 1;
        }
      }
      if (latest > latestAll) latestAll = latest;
    }
    if (latestAll === NONE) {
      best.fill(Infinity, first * D + lo0, first * D + hi0 + 1);
      return null;
    }
    firstDay = soonestAll;
    lastDay = latestAll;
  }

  let out = NONE;
  let least = Infinity;
  for (let e = lo[K]!; e <= hi[K]!; e++) {
    const label = best[K * D + e]!;
    if (label === Infinity) continue;
    const price = label + task.outPrices[e]!;
    if (price < least) [least, out] = [price, e];
  }
  if (least > most) out = NONE;
  const plan = out === NONE ? null : traceBack(state, task, scratch, terms, out);
  for (let d = lo0; d <= hi0; d++) best[first * D + d] = Infinity;
  return plan;
}

/** Windows with the days that are fixed put in. */
function fixedWhere(days: ArrayLike<number>, window: ArrayLike<number>, K: number): Int16Array {
  const put = new Int16Array(K + 1);
  for (let k = 0; k <= K; k++) {
    const day = days[k] ?? NONE;
    put[k] = day === NONE ? window[k]! : day;
  }
  return put;
}

/** Earliest day a batch that stands somewhere already can leave; NONE when never. */
export function inProgressEnd(
  state: State,
  track: Track,
  inProgress: NonNullable<Task['spec']['inProgress']>,
  d: number,
  p: number,
): number {
  const { problem } = state;
  const end = endFrom(track, inProgress.need, d, state.rows, p * problem.blocks, problem.blockOf, problem.days);
  return end === NONE ? NONE : Math.max(end + (inProgress.then_days ?? 0), problem.instance.today);
}

/** Price of heating what is not yet heated for a stay of days [d, e), and of the set-point changes it brings. */
function heatPrice({ problem, heatFrom, heatTo }: State, p: number, d: number, e: number): number {
  if (e <= d) return 0;
  const base = p * problem.blocks;
  return heatTo[base + problem.blockOf[e - 1]!]! - heatFrom[base + problem.blockOf[d]!]!;
}

function traceBack(state: State, task: Task, scratch: InsertionScratch, terms: Terms, out: number): Plan {
  const { problem } = state;
  const { days: D, placeCount: P, instance } = problem;
  const { best, bestPlace, at, from, waited, written, walks } = scratch;
  const { stageCount: K, first, spec } = task;
  const places = new Int16Array(K).fill(NONE);
  const days = new Int16Array(K + 1).fill(NONE);
  const waits = new Int16Array(K);
  const move = instance.weights.move_perTray * spec.trays;
  let e = out;
  let p = bestPlace[K * D + e]!;
  let price = task.outPrices[out]!;
  days[K] = e;
  for (let k = K - 1; k >= first; k--) {
    const label = ((k + 1) * P + p) * D + e;
    const d = from[label]!;
    places[k] = p;
    days[k] = d;
    waits[k] = waited[label]!;
    const stage = instance.stages[spec.stages[k]!]!;
    for (let w = 1; w <= waits[k]!; w++) price += waitPrice(problem, task, w, stage.mostWait_days);
    if (!(spec.inProgress && k === first)) price += ageingPrice(problem, task, stage, e - waits[k]! - d);
    e = d;
    if (k === first) break;
    const stays = written[k * P + p] === walks && at[(k * P + p) * D + d]! <= best[k * D + d]! + move;
    if (!stays) p = bestPlace[k * D + d]!;
    if (places[k] !== p) price += move;
  }
  const toll = tollPrice(state, task, places, days);
  return { task: task.index, places, days, waits, price: price + toll, toll, forced: terms.ignoreRoom === true };
}
