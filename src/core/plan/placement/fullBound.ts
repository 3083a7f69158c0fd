import { Ascent, highest, type BoundReport } from './ascent.ts';
import { roomsForSale, usualDayPrice } from './bound.ts';
import type { Problem, Task } from './problem.ts';
import { unplacedPrice, type State } from './state.ts';
import { staysOf } from './solution.ts';
import { NONE } from './track.ts';
import { canPrice, LevelPricer, type LevelPrices, type LevelStay, type LevelWay } from './waysAtLevels.ts';

/** Most batches for which it is worth the time. */
export const FULL_BOUND_MOST = 24;

/** Steps of the prices of set-points, as a share of a week's heat. */
const LEVEL_SHARE = 0.2;

/**
 * A proven bound on any plan, whatever weeks it heats and however warm. Room is sold by place, day and set-point, and each batch pays
 * for each set-point of each week it stands in; each heated place then buys the run of weeks and set-points that is dearest sold
 * and cheapest heated. Weaker than the bound with the weeks as planned: half a heated place counts as half its heat.
 *
 * @returns the best bound found, in money; null for instances whose stages it cannot price
 * @source Lagrangian relaxation (Geoffrion 1974) with steps after Kingma & Ba 2015 (both from memory)
 */
export function* fullBound(state: State, steps: number): Generator<BoundReport, number | null> {
  if (!canPrice(state.problem)) return null;
  return yield* highest(new LevelMarket(state), steps);
}

class LevelMarket {
  private readonly problem: Problem;
  private readonly pricer: LevelPricer;
  private readonly rooms: Float64Array;
  /** Of a slot part: [(place x levels + level) x days + day]. */
  private readonly roomPrices: Ascent;
  /** By batch: what it pays for each set-point of each week and stage. */
  private readonly levelPrices: readonly (Ascent | null)[];
  private readonly prices: LevelPrices;
  /** Blocks of a place that a pinned batch keeps in use. */
  private readonly inUse: Uint8Array;
  private readonly given: number;

  constructor(private readonly state: State) {
    const { problem } = state;
    this.problem = problem;
    this.pricer = new LevelPricer(problem);
    const { days: D, placeCount: P, blocks: B, instance, heat, blockOf } = problem;
    const L = this.pricer.levels;
    this.rooms = roomsForSale(state);
    this.inUse = new Uint8Array(P * B);
    let given = 0;
    for (const task of problem.tasks) {
      if (!task.spec.pinned) continue;
      const plan = state.plans[task.index];
      given += plan ? plan.price : unplacedPrice(problem, task);
      if (!plan) continue;
      for (const { place, from, to } of staysOf(task, plan))
        for (let d = from; d < to; d++) this.inUse[place * B + blockOf[d]!] = 1;
    }
    this.given = given;
    const usual = usualDayPrice(state);
    const weekly = (p: number, l: number, b: number): number => heat[p]![l * B + b]!;
    const settable = instance.places.map((place) => place.levels.length > 1);
    const dayScale = (i: number): number => {
      const d = i % D;
      const p = Math.floor(i / D / L);
      const l = Math.floor(i / D) % L;
      const parts = this.rooms[p * D + d]!;
      if (parts <= 0 || l >= instance.places[p]!.levels.length) return 0;
      return (settable[p] ? Math.max(weekly(p, l, blockOf[d]!) / instance.blockDays, usual / 10) : usual) / parts;
    };
    this.roomPrices = new Ascent(P * L * D, dayScale);
    for (let i = 0; i < P * L * D; i++) {
      const p = Math.floor(i / D / L);
      const d = i % D;
      const l = Math.floor(i / D) % L;
      const parts = this.rooms[p * D + d]!;
      if (settable[p] && parts > 0 && l < instance.places[p]!.levels.length)
        this.roomPrices.price[i] = weekly(p, l, blockOf[d]!) / instance.blockDays / parts;
    }
    this.levelPrices = problem.tasks.map((task) =>
      task.spec.pinned
        ? null
        : new Ascent(this.pricer.keys(), (key) => {
            const l = key % L;
            const b = Math.floor(key / L) % B;
            const p = Math.floor(key / L / B) % P;
            return settable[p] && l < instance.places[p]!.levels.length ? LEVEL_SHARE * weekly(p, l, b) : 0;
          }),
    );
    this.prices = {
      room: instance.places.map((place) => place.levels.map(() => new Float64Array(D + 1))),
      levelPrice: new Float64Array(0),
    };
  }

  /** What all would pay at the prices there are, less what the places would bring: a bound. */
  sell(): number {
    const { problem, rooms, roomPrices, pricer, prices } = this;
    const { days: D, placeCount: P, instance } = problem;
    const L = pricer.levels;
    roomPrices.wanted.fill(0);
    for (let p = 0; p < P; p++) {
      instance.places[p]!.levels.forEach((_, l) => {
        const sum = prices.room[p]![l]!;
        const base = (p * L + l) * D;
        for (let d = 0; d < D; d++) sum[d + 1] = sum[d]! + roomPrices.price[base + d]!;
      });
    }
    let bound = this.given;
    for (const task of problem.tasks) {
      const own = this.levelPrices[task.index];
      if (!own) continue;
      own.wanted.fill(0);
      prices.levelPrice = own.price;
      const way = this.cheapest(task);
      bound += way.price;
      for (const stay of way.stays ?? []) this.want(task, stay, own);
    }
    for (let p = 0; p < P; p++) bound += this.cheapestWeeks(p, rooms);
    return bound;
  }

  move(step: number): void {
    this.roomPrices.move(step);
    for (const one of this.levelPrices) one?.move(step);
  }

  /** A plan kept as its own forecast has it is a way as well: its days may be sooner than noons allow. */
  private cheapest(task: Task): LevelWay {
    const { state, pricer, prices } = this;
    const way = pricer.cheapest(task, prices);
    const plan = state.plans[task.index];
    if (!plan?.kept || plan.days[task.stageCount] === NONE) return way;
    const { blocks: B, blockOf, instance } = this.problem;
    let { price } = plan;
    const stays = staysOf(task, plan).map((stay): LevelStay => {
      const levels: number[] = [];
      for (let b = blockOf[stay.from]!; stay.to > stay.from && b <= blockOf[stay.to - 1]!; b++)
        levels.push(instance.places[stay.place]!.levels.length > 1 ? state.rows[stay.place * B + b]! : 0);
      return { ...stay, levels };
    });
    for (const stay of stays) {
      this.eachDay(stay, (p, l, d) => {
        const sum = prices.room[p]![l]!;
        price += task.slots[stay.stage]! * (sum[d + 1]! - sum[d]!);
      });
      if (instance.places[stay.place]!.levels.length > 1)
        stay.levels.forEach((l, i) => {
          price += prices.levelPrice[pricer.keyOf(stay.stage, stay.place, blockOf[stay.from]! + i, l)]!;
        });
    }
    return price < way.price ? { price, stays } : way;
  }

  private eachDay({ place, from, to, levels }: LevelStay, see: (p: number, l: number, d: number) => void): void {
    const { blockOf } = this.problem;
    for (let d = from; d < to; d++) see(place, levels[blockOf[d]! - blockOf[from]!]!, d);
  }

  private want(task: Task, stay: LevelStay, own: Ascent): void {
    const { pricer, roomPrices, problem } = this;
    const { days: D, blockOf, instance } = problem;
    this.eachDay(stay, (p, l, d) => {
      roomPrices.wanted[(p * pricer.levels + l) * D + d]! += task.slots[stay.stage]!;
    });
    if (instance.places[stay.place]!.levels.length === 1) return;
    stay.levels.forEach((l, i) => {
      own.wanted[pricer.keyOf(stay.stage, stay.place, blockOf[stay.from]! + i, l)]! += 1;
    });
  }

  /** The run of weeks and set-points of a place that costs least, heat less what it sells; what it offers is put down. */
  private cheapestWeeks(p: number, rooms: Float64Array): number {
    const { problem, pricer, roomPrices, levelPrices, inUse } = this;
    const { days: D, blocks: B, instance, heat, blockOf, mostStages: K } = problem;
    const { levels, row } = instance.places[p]!;
    const L = levels.length;
    const change = instance.weights.setPointChange;
    const cost = new Float64Array(L * B);
    for (let l = 0; l < L; l++) {
      for (let b = 0; b < B; b++) cost[l * B + b] = heat[p]![l * B + b]!;
      const base = (p * pricer.levels + l) * D;
      for (let d = 0; d < D; d++) cost[l * B + blockOf[d]!]! -= roomPrices.price[base + d]! * rooms[p * D + d]!;
      if (L > 1)
        for (const own of levelPrices)
          if (own)
            for (let k = 0; k < K; k++)
              for (let b = 0; b < B; b++) cost[l * B + b]! -= own.price[pricer.keyOf(k, p, b, l)]!;
    }
    // State L is off. What is behind keeps its set-point.
    const least = new Float64Array((L + 1) * B).fill(Infinity);
    const before = new Int8Array((L + 1) * B);
    for (let b = 0; b < B; b++) {
      for (let s = 0; s <= L; s++) {
        if (s === L ? inUse[p * B + b] === 1 : b < instance.frozenBlocks && L > 1 && row[b] !== s) continue;
        const here = s === L ? 0 : cost[s * B + b]!;
        if (b === 0) {
          least[s * B] = here;
          continue;
        }
        for (let t = 0; t <= L; t++) {
          const value = least[t * B + b - 1]! + here + (s < L && t < L && s !== t ? change : 0);
          if (value >= least[s * B + b]!) continue;
          least[s * B + b] = value;
          before[s * B + b] = t;
        }
      }
    }
    let s = 0;
    for (let t = 1; t <= L; t++) if (least[t * B + B - 1]! < least[s * B + B - 1]!) s = t;
    const total = least[s * B + B - 1]!;
    for (let b = B - 1; b >= 0; b--) {
      if (s < L) this.offer(p, b, s, rooms);
      s = before[s * B + b]!;
    }
    return total;
  }

  private offer(p: number, b: number, l: number, rooms: Float64Array): void {
    const { problem, pricer, roomPrices, levelPrices } = this;
    const { days: D, blockOf, instance, mostStages: K } = problem;
    const base = (p * pricer.levels + l) * D;
    for (let d = 0; d < D; d++) if (blockOf[d] === b) roomPrices.wanted[base + d]! -= rooms[p * D + d]!;
    if (instance.places[p]!.levels.length === 1) return;
    for (const own of levelPrices) if (own) for (let k = 0; k < K; k++) own.wanted[pricer.keyOf(k, p, b, l)]! -= 1;
  }
}
