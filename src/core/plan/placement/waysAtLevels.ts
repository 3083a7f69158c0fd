import { IN_PROGRESS_WAIT_days } from './insert.ts';
import { levelGrowth, type LevelGrowth } from './levelGrowth.ts';
import type { Problem, Task } from './problem.ts';
import { tollRate, unplacedPrice, waitPrice } from './state.ts';
import { NONE } from './track.ts';

/** Steps in which what a stage still needs is told apart from week to week. */
const STEPS = 96;
const SLACK = 1e-9;

/** What room costs at each set-point, and each batch's own price for each set-point of each week. */
export interface LevelPrices {
  /** By place and level: price of a slot part, added up to each day. */
  readonly room: readonly (readonly Float64Array[])[];
  /** Of the batch in hand: what it pays for a stage in a place in a block at a level, at `keyOf`. */
  levelPrice: Float64Array;
}

/** One stay of a way: where, from when to when, and the level of each of its blocks. */
export interface LevelStay {
  readonly stage: number;
  readonly place: number;
  readonly from: number;
  readonly to: number;
  readonly levels: readonly number[];
}

export interface LevelWay {
  readonly price: number;
  /** null: left out. */
  readonly stays: readonly LevelStay[] | null;
}

/** Whether the cheapest way can be found for every stage there is: none with several least days besides what it must gain. */
export const canPrice = ({ instance, tasks }: Problem): boolean =>
  instance.stages.every((stage) => stage.need <= 0 || stage.least_days <= 1) &&
  instance.stages.every((stage) => stage.standstill_days < instance.blockDays) &&
  tasks.every(
    ({ spec, first }) =>
      !spec.inProgress || spec.inProgress.need <= 0 || instance.stages[spec.stages[first]!]!.need > 0,
  );

/** One stage in one place, being priced. */
interface Hand {
  /** Levels of the place, and days of waiting told apart. */
  readonly L: number;
  readonly W: number;
  /** Days on which it may be entered, and the last on which it may be left. */
  readonly loK: number;
  readonly hiK: number;
  readonly hiE: number;
  readonly growth: LevelGrowth;
  readonly need: number;
  /** One step of what it needs. */
  readonly grain: number;
  readonly standstill: number;
  readonly least_days: number;
  /** Price of the nth day of waiting. */
  readonly waits: Float64Array;
}

/**
 * The cheapest way of a batch if the set-point of each week were its own to choose, at a price: never dearer than its true
 * way at any set-points, so that adding such ways up gives a bound. What a stage still needs is told apart in 96 steps at
 * the end of each week and taken as whatever of its step is cheapest; the price of growing old is left out.
 */
export class LevelPricer {
  readonly levels: number;
  private readonly growths: (LevelGrowth | null)[];
  private readonly first: Int16Array;
  /** Cost to go from entering stage k in place p on a day, and the least over places. */
  private readonly enter: Float64Array;
  private readonly enterAny: Float64Array;
  private readonly anyPlace: Int16Array;
  private readonly wait: Float64Array[];
  private readonly waitChoice: Int16Array[];
  private readonly left: Float64Array;
  private readonly leftChoice: Int32Array;
  private readonly still: Float64Array;
  private readonly stillChoice: Int32Array;
  private readonly go: Float64Array;
  private readonly enterChoice: Int32Array;
  private readonly ready: Float64Array;
  private readonly noRoom: Int16Array;
  /** Of the stage and place in hand: what a day costs by level, added up; and a block at a level. */
  private readonly cost: readonly Float64Array[];
  private readonly pay: Float64Array;
  /** Days of waiting told apart, at most. */
  private readonly mostWait: number;
  /** What `begin` found. */
  private found = Infinity;
  private code = NONE;

  constructor(private readonly problem: Problem) {
    const { days: D, placeCount: P, blocks: B, mostStages: K, instance } = problem;
    this.levels = Math.max(...instance.places.map((place) => place.levels.length));
    this.growths = new Array<LevelGrowth | null>(instance.stages.length * P).fill(null);
    this.first = new Int16Array(B + 2).fill(D);
    for (let d = D - 1; d >= 0; d--) this.first[problem.blockOf[d]!] = d;
    this.enter = new Float64Array((K + 1) * P * D);
    this.enterAny = new Float64Array((K + 1) * D);
    this.anyPlace = new Int16Array((K + 1) * D);
    this.mostWait = Math.max(IN_PROGRESS_WAIT_days + 30, ...instance.stages.map((stage) => stage.mostWait_days)) + 1;
    const most = this.mostWait + 1;
    this.wait = Array.from({ length: this.levels }, () => new Float64Array((D + 1) * most));
    this.waitChoice = Array.from({ length: this.levels }, () => new Int16Array((D + 1) * most));
    this.left = new Float64Array((B + 2) * (STEPS + 1));
    this.leftChoice = new Int32Array((B + 2) * (STEPS + 1));
    const standstill = Math.max(1, ...instance.stages.map((stage) => stage.standstill_days));
    this.still = new Float64Array((B + 2) * (standstill + 1));
    this.stillChoice = new Int32Array((B + 2) * (standstill + 1));
    this.go = new Float64Array(D + 1);
    this.enterChoice = new Int32Array(D + 1);
    this.ready = new Float64Array(D + 1);
    this.noRoom = new Int16Array(D + 1);
    this.cost = Array.from({ length: this.levels }, () => new Float64Array(D + 1));
    this.pay = new Float64Array((B + 1) * this.levels);
  }

  keyOf(k: number, p: number, b: number, l: number): number {
    const { placeCount: P, blocks: B } = this.problem;
    return ((k * P + p) * B + b) * this.levels + l;
  }

  keys(): number {
    const { mostStages: K } = this.problem;
    return this.keyOf(K, 0, 0, 0);
  }

  cheapest(task: Task, prices: LevelPrices): LevelWay {
    const { problem, enter, enterAny, anyPlace } = this;
    const { days: D, placeCount: P } = problem;
    const { stageCount: K, first, lo, hi } = task;
    for (let k = K - 1; k >= first; k--) {
      enterAny.fill(Infinity, k * D, (k + 1) * D);
      for (const p of this.placesOf(task, k)) {
        const row = (k * P + p) * D;
        enter.fill(Infinity, row, row + D);
        this.price(task, k, p, prices);
        for (let d = lo[k]!; d <= hi[k]!; d++) {
          if (enter[row + d]! >= enterAny[k * D + d]!) continue;
          enterAny[k * D + d] = enter[row + d]!;
          anyPlace[k * D + d] = p;
        }
      }
    }
    const leftOut = unplacedPrice(problem, task);
    let from = NONE;
    let least = leftOut;
    for (let d = lo[first]!; d <= hi[first]!; d++)
      if (enterAny[first * D + d]! < least) [least, from] = [enterAny[first * D + d]!, d];
    return from === NONE ? { price: leftOut, stays: null } : { price: least, stays: this.trace(task, from, prices) };
  }

  private placesOf({ spec, first }: Task, k: number): readonly number[] {
    return spec.inProgress && k === first
      ? [spec.inProgress.place]
      : this.problem.instance.stages[spec.stages[k]!]!.places;
  }

  /** Fills what it costs to enter stage k in place p on each day, and the choices behind it. */
  private price(task: Task, k: number, p: number, prices: LevelPrices): void {
    const { problem, enter, enterChoice } = this;
    const { days: D, placeCount: P } = problem;
    const hand = this.take(task, k, p);
    this.whereNext(task, k, p);
    this.costsOf(hand, task, k, p, prices);
    this.waitOut(hand);
    this.gainOn(hand);
    const row = (k * P + p) * D;
    for (let d = hand.loK; d <= hand.hiK; d++) {
      this.begin(hand, d, d + hand.standstill, d + hand.least_days);
      enter[row + d] = this.found;
      enterChoice[d] = this.code;
    }
  }

  /** The stage and place in hand. */
  private take(task: Task, k: number, p: number): Hand {
    const { instance } = this.problem;
    const { spec, lo, hi } = task;
    const index = spec.stages[k]!;
    const stage = instance.stages[index]!;
    const inProgress = spec.inProgress !== undefined && k === task.first ? spec.inProgress : null;
    const holds = inProgress !== null || (k === task.first && spec.startsOn !== undefined);
    const limit =
      (holds ? Math.max(stage.mostWait_days, IN_PROGRESS_WAIT_days) : stage.mostWait_days) +
      (inProgress?.then_days ?? 0);
    const grows = inProgress === null && stage.need > 0;
    const need = inProgress ? inProgress.need : grows ? stage.need : Math.max(stage.standstill_days, stage.least_days);
    const [loK, hiK, hiE] = [lo[k]!, hi[k]!, hi[k + 1]!];
    const W = Math.min(limit, hiE - loK, this.mostWait) + 1;
    return {
      L: instance.places[p]!.levels.length,
      W,
      loK,
      hiK,
      hiE,
      growth: (this.growths[index * this.problem.placeCount + p] ??= levelGrowth(this.problem, index, p)),
      need,
      grain: Math.max(need, SLACK) / STEPS,
      standstill: grows ? stage.standstill_days : 0,
      least_days: grows ? stage.least_days : 0,
      // What stood there before it was counted waits for nothing.
      waits: Float64Array.from({ length: W + 1 }, (_, w) =>
        inProgress || w === 0 ? 0 : waitPrice(this.problem, task, w, stage.mostWait_days),
      ),
    };
  }

  /** Prices of days and weeks in the place in hand, and where there is no room for it at all. */
  private costsOf(hand: Hand, task: Task, k: number, p: number, prices: LevelPrices): void {
    const { problem, noRoom, cost } = this;
    const { days: D, room } = problem;
    const { L, loK, hiE, growth } = hand;
    const slots = task.slots[k]!;
    const rate = tollRate(task);
    const held = task.spec.inProgress !== undefined && k === task.first;
    noRoom[D] = D;
    for (let d = D - 1; d >= 0; d--) noRoom[d] = !held && room[p * D + d]! < slots ? d : noRoom[d + 1]!;
    for (let l = 0; l < L; l++) {
      const mu = prices.room[p]![l]!;
      const toll = growth.tolls?.[l];
      const sum = cost[l]!;
      for (let d = loK; d <= hiE; d++) sum[d] = slots * mu[d]! + (toll ? rate * toll[d]! : 0);
    }
    this.payFor(k, p, L, prices);
  }

  private stay(l: number, from: number, to: number): number {
    const sum = this.cost[l]!;
    return sum[to]! - sum[from]!;
  }

  /** First day from a day on which it may not stand there at a level. */
  private until({ growth }: Hand, l: number, d: number): number {
    const bad = growth.bad[l]![d]!;
    const full = this.noRoom[d]!;
    return bad < full ? bad : full;
  }

  /** Ready and waiting: what it costs to stay a day more at a level, having waited w days. */
  private waitOut(hand: Hand): void {
    const { go, wait, waitChoice, pay, problem } = this;
    const { blockOf } = problem;
    const { L, W, loK, hiE, waits } = hand;
    for (let l = 0; l < L; l++) wait[l]!.fill(Infinity, hiE * W, (hiE + 1) * W);
    for (let e = hiE - 1; e >= loK; e--) {
      const turns = blockOf[e + 1]! !== blockOf[e]!;
      for (let l = 0; l < L; l++) {
        const here = wait[l]!;
        const choice = waitChoice[l]!;
        if (this.until(hand, l, e) <= e) {
          here.fill(Infinity, e * W, (e + 1) * W);
          continue;
        }
        const day = this.stay(l, e, e + 1);
        here[e * W + W - 1] = Infinity;
        for (let w = 0; w + 1 < W; w++) {
          let next = go[e + 1]!;
          let chosen = NONE;
          if (!turns) {
            if (here[(e + 1) * W + w + 1]! < next) [next, chosen] = [here[(e + 1) * W + w + 1]!, l];
          } else {
            for (let m = 0; m < L; m++) {
              const other = pay[blockOf[e + 1]! * L + m]! + wait[m]![(e + 1) * W + w + 1]!;
              if (other < next) [next, chosen] = [other, m];
            }
          }
          here[e * W + w] = day + waits[w + 1]! + next;
          choice[e * W + w] = chosen;
        }
      }
    }
  }

  /** Begun at the start of a block or on a day in it, all that it needs still to gain from day a on. Leaves `found` and `code`. */
  private begin(hand: Hand, d: number, a: number, least: number): void {
    const { problem, first, pay, left, still } = this;
    const { L, hiE, growth, need, grain, standstill } = hand;
    const b = problem.blockOf[d]!;
    const end = Math.min(first[b + 1]!, problem.days);
    this.found = Infinity;
    this.code = NONE;
    if (need <= SLACK && Math.max(a, least) <= d) {
      this.found = this.readyAt(hand, d, d, b, NONE);
      this.code = readyCode(0, d);
      return;
    }
    for (let l = 0; l < L; l++) {
      const may = this.until(hand, l, d);
      const gained = growth.gained[l]!;
      if (a < end) {
        let e = Math.max(a, least);
        while (e <= end && e <= hiE && gained[e]! - gained[a]! < need - SLACK) e++;
        if (e <= end && e <= hiE) {
          if (may < e) continue;
          this.better(pay[b * L + l]! + this.stay(l, d, e) + this.readyAt(hand, e, d, b, l), readyCode(l, e));
          if (e < end || !growth.offAtMidnight) continue;
        }
        if (may < end || end > hiE) continue;
        const rest = Math.max(0, need - (gained[end]! - gained[a]!));
        const j = Math.min(STEPS, Math.floor(rest / grain));
        const on = left[(b + 1) * (STEPS + 1) + j]!;
        this.better(pay[b * L + l]! + this.stay(l, d, end) + on, carryCode(l, j));
      } else if (may >= end && end <= hiE) {
        const here = pay[b * L + l]! + this.stay(l, d, end);
        if (a === end) this.better(here + left[(b + 1) * (STEPS + 1) + STEPS]!, carryCode(l, STEPS));
        else this.better(here + still[(b + 1) * (standstill + 1) + a - end]!, stillCode(l, a - end));
      }
    }
  }

  private better(value: number, code: number): void {
    if (value < this.found) [this.found, this.code] = [value, code];
  }

  /** From the start of each block on, with so many steps still to gain: from the last block back. */
  private gainOn(hand: Hand): void {
    const { problem, first, left, still, stillChoice } = this;
    const { L, loK, hiE, standstill } = hand;
    const lastBlock = problem.blockOf[hiE]!;
    left.fill(Infinity, (lastBlock + 1) * (STEPS + 1), (lastBlock + 2) * (STEPS + 1));
    still.fill(Infinity, (lastBlock + 1) * (standstill + 1), (lastBlock + 2) * (standstill + 1));
    for (let b = lastBlock; b > problem.blockOf[loK]!; b--) {
      left.fill(Infinity, b * (STEPS + 1), (b + 1) * (STEPS + 1));
      for (let l = 0; l < L; l++) this.gainBlock(hand, b, l);
      const start = first[b]!;
      for (let rest = 1; rest <= standstill; rest++) {
        this.begin(hand, start, start + rest, start);
        still[b * (standstill + 1) + rest] = this.found;
        stillChoice[b * (standstill + 1) + rest] = this.code;
      }
    }
  }

  /** One block at one level: ready on one of its days, or carried into the next block with what is then left. */
  private gainBlock(hand: Hand, b: number, l: number): void {
    const { problem, first, left, leftChoice, ready, pay } = this;
    const { L, hiE, growth, grain } = hand;
    const row = b * (STEPS + 1);
    const start = first[b]!;
    const end = Math.min(first[b + 1]!, problem.days);
    const last = Math.min(end, hiE);
    const may = this.until(hand, l, start);
    const gained = growth.gained[l]!;
    const here = pay[b * L + l]!;
    for (let e = start; e <= last; e++)
      ready[e] =
        may < e ? Infinity : (e > start ? here : 0) + this.stay(l, start, e) + this.readyAt(hand, e, start, b, l);
    const whole = may >= end && end <= hiE ? here + this.stay(l, start, end) : Infinity;
    const all = gained[end]! - gained[start]!;
    let from = start;
    for (let j = 0; j <= STEPS; j++) {
      const least = j * grain;
      const most = (j + 1) * grain;
      while (from <= last && gained[from]! - gained[start]! < least - SLACK) from++;
      let best = left[row + j]!;
      // Whatever of its step it needs: on each of the days on which it may then be ready.
      for (let e = from; e <= last; e++) {
        if (ready[e]! < best) {
          best = ready[e]!;
          leftChoice[row + j] = readyCode(l, e);
        }
        if (gained[e]! - gained[start]! >= most) break;
      }
      const late = growth.offAtMidnight && gained[end - 1]! - gained[start]! < most;
      if (whole < Infinity && (most > all || late)) {
        const j0 = Math.max(0, Math.floor((least - all) / grain - 1e-9));
        const j1 = Math.max(j0, Math.min(STEPS, Math.ceil((most - all) / grain + 1e-9) - 1));
        for (let i = j0; i <= j1; i++) {
          const value = whole + left[row + STEPS + 1 + i]!;
          if (value < best) {
            best = value;
            leftChoice[row + j] = carryCode(l, i);
          }
        }
      }
      left[row + j] = best;
    }
  }

  private payFor(k: number, p: number, L: number, { levelPrice }: LevelPrices): void {
    const { blocks: B } = this.problem;
    for (let b = 0; b < B; b++)
      for (let l = 0; l < L; l++) this.pay[b * L + l] = L > 1 ? levelPrice[this.keyOf(k, p, b, l)]! : 0;
  }

  /** Where it goes on leaving stage k from place p on each day. */
  private whereNext(task: Task, k: number, p: number): void {
    const { problem, go, enter, enterAny } = this;
    const { days: D, placeCount: P, instance } = problem;
    const { spec, stageCount: K, lo, hi, outPrices } = task;
    go.fill(Infinity);
    const move = instance.weights.move_perTray * spec.trays;
    const here = k + 1 < K && this.placesOf(task, k + 1).includes(p);
    for (let e = lo[k + 1]!; e <= hi[k + 1]!; e++) {
      if (k + 1 === K) go[e] = outPrices[e]!;
      else {
        const other = enterAny[(k + 1) * D + e]! + move;
        const same = here ? enter[((k + 1) * P + p) * D + e]! : Infinity;
        go[e] = Math.min(other, same);
      }
    }
  }

  /** Ready on day e, having stood at level l since `from` (NONE: at none yet): leaves, or begins to wait. */
  private readyAt({ L, W }: Hand, e: number, from: number, b: number, l: number): number {
    const { go, wait, problem, pay } = this;
    let best = go[e]!;
    const block = problem.blockOf[e]!;
    if (l >= 0 && e > from && block === b) return Math.min(best, wait[l]![e * W]!);
    if (l >= 0 && e === from) return Math.min(best, pay[b * L + l]! + wait[l]![e * W]!);
    for (let m = 0; m < L; m++) best = Math.min(best, pay[block * L + m]! + wait[m]![e * W]!);
    return best;
  }

  /** Follows the choices from the day the first stage is entered. */
  private trace(task: Task, from: number, prices: LevelPrices): LevelStay[] {
    const { problem, enter, enterAny, anyPlace, first } = this;
    const { days: D, placeCount: P, instance, blockOf } = problem;
    const { stageCount: K, spec } = task;
    const move = instance.weights.move_perTray * spec.trays;
    const stays: LevelStay[] = [];
    let d = from;
    let p = anyPlace[task.first * D + d]!;
    for (let k = task.first; k < K; k++) {
      this.price(task, k, p, prices);
      const hand = this.take(task, k, p);
      const { W, standstill } = hand;
      const levels: number[] = [];
      let b = blockOf[d]!;
      let code = this.enterChoice[d]!;
      let began = d;
      let e = NONE;
      let l = 0;
      for (;;) {
        l = levelOf(code);
        const at = restOf(code);
        const kind = kindOf(code);
        if (kind === READY) {
          e = at;
          if (e > began) levels.push(l);
          break;
        }
        levels.push(l);
        b++;
        began = first[b]!;
        code = kind === CARRY ? this.leftChoice[b * (STEPS + 1) + at]! : this.stillChoice[b * (standstill + 1) + at]!;
      }
      // Waits on while that is cheaper than going.
      let m = this.waitsOn(hand, e, began, b, l, levels);
      for (let w = 0; m !== NONE; w++) {
        const next = this.waitChoice[m]![e * W + w]!;
        e++;
        if (next !== NONE && blockOf[e]! !== blockOf[e - 1]!) levels.push(next);
        m = next;
      }
      stays.push({ stage: k, place: p, from: d, to: e, levels });
      d = e;
      if (k + 1 === K) break;
      const same = this.placesOf(task, k + 1).includes(p) ? enter[((k + 1) * P + p) * D + d]! : Infinity;
      if (same > enterAny[(k + 1) * D + d]! + move) p = anyPlace[(k + 1) * D + d]!;
    }
    return stays;
  }

  /** The level at which it begins to wait on the day it is ready, put down if the block is new to it; NONE: it goes. */
  private waitsOn({ L, W }: Hand, e: number, from: number, b: number, l: number, levels: number[]): number {
    const { go, wait, problem, pay } = this;
    const block = problem.blockOf[e]!;
    if (e > from && block === b) return wait[l]![e * W]! < go[e]! ? l : NONE;
    let best = go[e]!;
    let chosen = NONE;
    for (let m = 0; m < L; m++) {
      const value = pay[block * L + m]! + wait[m]![e * W]!;
      if (value < best) [best, chosen] = [value, m];
    }
    if (chosen !== NONE) levels.push(chosen);
    return chosen;
  }
}

const READY = 0;
const CARRY = 1;
const STILL = 2;
const readyCode = (l: number, e: number): number => (l * 4096 + e) * 4 + READY;
const carryCode = (l: number, j: number): number => (l * 4096 + j) * 4 + CARRY;
const stillCode = (l: number, rest: number): number => (l * 4096 + rest) * 4 + STILL;
const kindOf = (code: number): number => code & 3;
const levelOf = (code: number): number => (code >> 2) >> 12;
const restOf = (code: number): number => (code >> 2) & 4095;
