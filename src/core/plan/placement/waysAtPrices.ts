import type { Problem, Task } from './problem.ts';
import { ageingPrice, freshTrack, tollRate, unplacedPrice, waitPrice, type State } from './state.ts';
import { IN_PROGRESS_WAIT_days, inProgressEnd } from './insert.ts';
import { NONE } from './track.ts';

/** What room and work cost, by which batches are kept from all wanting the same. */
export interface Prices {
  /** Of a slot part on a day, added up to each day: room[place x (days + 1) + day]. */
  readonly room: Float64Array;
  /** Of a minute of work in each block. */
  readonly work_perMin: Float64Array;
  /** First day from a day on which nothing more may stand in a place: shut[place x days + day]. */
  readonly shut: Int16Array;
}

/** The cheapest way of a batch at given prices. */
export interface Way {
  /** Its own price and what it pays for room and work. */
  readonly price: number;
  /** Its own price alone. */
  readonly own: number;
  /** Place of each stage and day each is entered, last the day it goes out; null: left out. */
  readonly places: Int16Array | null;
  readonly days: Int16Array | null;
}

/** Room to work in, made once for a problem. */
export interface WayBench {
  readonly any: Float64Array;
  readonly anyPlace: Int16Array;
  readonly at: Float64Array;
  readonly from: Int16Array;
}

export function makeWayBench({ days: D, placeCount: P, mostStages: K }: Problem): WayBench {
  return {
    any: new Float64Array((K + 1) * D),
    anyPlace: new Int16Array((K + 1) * D),
    at: new Float64Array((K + 1) * P * D),
    from: new Int16Array((K + 1) * P * D),
  };
}

/**
 * The cheapest way for one batch through its stages, places and days at the set-points there are, with what it pays for
 * room and work at the given prices, or being left out if that is cheaper. Whatever else stands there does not count. Exact:
 * every place, day of entry and number of days waited is tried.
 * @param before the way it took at other prices: none dearer than that need be looked at
 */
export function cheapestWay(state: State, task: Task, prices: Prices, bench: WayBench, before?: Way): Way {
  const { problem } = state;
  const { days: D, placeCount: P, instance, blockOf, room } = problem;
  const { spec, stageCount: K, first, lo, hi, toGo, work_min } = task;
  const { any, anyPlace, at, from } = bench;
  const leftOut = unplacedPrice(problem, task);
  const paid = before?.days ? before.own + paidFor(problem, task, before, prices) : Infinity;
  const most = Math.min(leftOut, paid + SLACK);
  const move = instance.weights.move_perTray * spec.trays;
  const rate = tollRate(task);
  for (let d = lo[first]!; d <= hi[first]!; d++) {
    any[first * D + d] = work_min && !spec.inProgress ? prices.work_perMin[blockOf[d]!]! * work_min[first]! : 0;
    anyPlace[first * D + d] = NONE;
  }
  for (let k = first; k < K; k++) {
    const stageIndex = spec.stages[k]!;
    const stage = instance.stages[stageIndex]!;
    const inProgress = spec.inProgress !== undefined && k === first ? spec.inProgress : null;
    const waits = inProgress !== null || (k === first && spec.startsOn !== undefined);
    const limit = waits ? Math.max(stage.mostWait_days, IN_PROGRESS_WAIT_days) : stage.mostWait_days;
    const slots = task.slots[k]!;
    const [loK, hiK, loE, hiE] = [lo[k]!, hi[k]!, lo[k + 1]!, hi[k + 1]!];
    const next = (k + 1) * D;
    any.fill(Infinity, next + loE, next + hiE + 1);
    for (const p of inProgress ? [inProgress.place] : stage.places) {
      const track = freshTrack(state, stageIndex, p);
      const row = ((k + 1) * P + p) * D;
      at.fill(Infinity, row + loE, row + hiE + 1);
      const before = k > first && cameFrom(state, task, k - 1, p) ? (k * P + p) * D : NONE;
      const carried = k > first ? move : 0;
      const sums = p * (D + 1);
      const { tollBefore } = track;
      let noRoom = D;
      for (let d = Math.min(D - 1, hiE); d >= loK; d--) {
        if (inProgress === null && room[p * D + d]! < slots) noRoom = d;
        if (d > hiK) continue;
        let price = any[k * D + d]! + carried;
        if (before !== NONE && at[before + d]! < price) price = at[before + d]!;
        if (price > most) continue;
        const end = inProgress ? inProgressEnd(state, track, inProgress, d, p) : track.end[d]!;
        if (end === NONE || end > hiE) continue;
        if (!inProgress) price += ageingPrice(problem, task, stage, end - d);
        const until = inProgress ? track.bad[d]! : Math.min(track.bad[d]!, noRoom, prices.shut[p * D + d]!);
        for (let w = 0, e = end; w <= limit && e <= hiE && e <= until; w++, e++) {
          if (w > 0) price += waitPrice(problem, task, w, stage.mostWait_days);
          if (e < loE) continue;
          const toll = tollBefore ? tollBefore[e]! - tollBefore[d]! : 0;
          let all = price + rate * toll + slots * (prices.room[sums + e]! - prices.room[sums + d]!);
          if (work_min) all += prices.work_perMin[blockOf[e]!]! * work_min[k + 1]!;
          if (all >= at[row + e]! || all + toGo[next + e]! > most) continue;
          at[row + e] = all;
          from[row + e] = d;
        }
      }
      for (let e = loE; e <= hiE; e++) {
        if (at[row + e]! >= any[next + e]!) continue;
        any[next + e] = at[row + e]!;
        anyPlace[next + e] = p;
      }
    }
  }
  let out = NONE;
  let least = leftOut;
  for (let e = lo[K]!; e <= hi[K]!; e++) {
    const price = any[K * D + e]! + task.outPrices[e]!;
    if (price < least) [least, out] = [price, e];
  }
  if (out === NONE) return { price: leftOut, own: leftOut, places: null, days: null };
  const way = traced(state, task, bench, out);
  return { price: least, own: least - paidFor(problem, task, way, prices), ...way };
}

const SLACK = 1e-6;

/** What a way pays for room and work. */
export function paidFor(
  { days: D, blockOf }: Problem,
  { first, stageCount, slots, spec, work_min }: Task,
  { places, days }: { readonly places: Int16Array | null; readonly days: Int16Array | null },
  prices: Prices,
): number {
  if (!places || !days) return 0;
  let sum = 0;
  for (let k = first; k < stageCount; k++) {
    const base = places[k]! * (D + 1);
    sum += slots[k]! * (prices.room[base + days[k + 1]!]! - prices.room[base + days[k]!]!);
  }
  if (work_min)
    for (let k = spec.inProgress ? first + 1 : first; k <= stageCount; k++)
      sum += prices.work_perMin[blockOf[days[k]!]!]! * work_min[k]!;
  return sum;
}

/** Whether stage k may have stood in place p. */
function cameFrom({ problem }: State, { spec, first }: Task, k: number, p: number): boolean {
  if (spec.inProgress && k === first) return spec.inProgress.place === p;
  return problem.instance.stages[spec.stages[k]!]!.places.includes(p);
}

function traced(state: State, task: Task, { any, anyPlace, at, from }: WayBench, out: number) {
  const { days: D, placeCount: P, instance } = state.problem;
  const { stageCount: K, first, spec } = task;
  const move = instance.weights.move_perTray * spec.trays;
  const places = new Int16Array(K).fill(NONE);
  const days = new Int16Array(K + 1).fill(NONE);
  let e = out;
  let p = anyPlace[K * D + e]!;
  days[K] = e;
  for (let k = K - 1; k >= first; k--) {
    const d = from[((k + 1) * P + p) * D + e]!;
    places[k] = p;
    days[k] = d;
    e = d;
    if (k === first) break;
    const stays = cameFrom(state, task, k - 1, p) && at[(k * P + p) * D + d]! <= any[k * D + d]! + move;
    if (!stays) p = anyPlace[k * D + d]!;
  }
  return { places, days };
}
