import { Ascent, highest, type BoundReport } from './ascent.ts';
import type { Problem, Task } from './problem.ts';
import { unplacedPrice, workOfPlan, type State } from './state.ts';
import { staysOf } from './solution.ts';
import { NONE } from './track.ts';
import { cheapestWay, makeWayBench, paidFor, type Prices, type Way, type WayBench } from './waysAtPrices.ts';

/** Steps over which the prices are raised and lowered: after these they hardly move the bound. Large seasons take their time for each. */
export const boundSteps = (batches: number): number => (batches <= MANY ? 400 : 160);
const MANY = 150;
/** The same for the bound on any plan, which is dearer to find. */
export const FULL_BOUND_STEPS = 160;

/**
 * A proven bound: what any plan costs at least that heats the weeks this one heats, at its set-points, and no others. Room and
 * hands are not forbidden but sold: each batch takes the way that is cheapest with what it pays for them, and what they
 * would have brought if sold out is taken off. That never costs more than the best plan, whatever the prices; they are moved to
 * bring it up. What was heated is paid, whether it is used or not. What stands there already or is pinned takes room even
 * where there is none.
 *
 * @returns the best bound found, in money, heat included
 * @source Lagrangian relaxation (Geoffrion 1974) with steps after Kingma & Ba 2015 (both from memory)
 */
export function* heatedWeeksBound(state: State, steps: number): Generator<BoundReport, number> {
  return yield* highest(new Market(state), steps);
}

/**
 * How far a plan's cost lies above a bound, as a share of the bound. null where that says nothing: a bound of nothing, or one above
 * the cost of a plan it should hold for, of which nothing is claimed.
 */
export function gapOf_frac(cost: number, bound: number): number | null {
  if (bound <= TINY || bound > cost * (1 + TINY) + TINY) return null;
  return Math.max(0, cost / bound - 1);
}
const TINY = 1e-6;

class Market {
  private readonly problem: Problem;
  private readonly prices: Prices;
  private readonly bench: WayBench;
  private readonly before: Way[] = [];
  /** What is for sale: slot parts of each place and day, and minutes of each block. */
  private readonly rooms: Float64Array;
  private readonly hands: Float64Array;
  private readonly roomPrices: Ascent;
  private readonly workPrices: Ascent;
  /** What is paid whatever is chosen: heat, changes of set-point, what is pinned. */
  private readonly given: number;

  constructor(private readonly state: State) {
    const { problem } = state;
    this.problem = problem;
    const { days: D, placeCount: P, blocks: B, instance } = problem;
    this.bench = makeWayBench(problem);
    this.prices = {
      room: new Float64Array(P * (D + 1)),
      work_perMin: new Float64Array(B),
      shut: shutDays(state),
    };
    this.rooms = roomsForSale(state);
    let given = state.heat + state.changes;
    const work = new Float64Array(B);
    for (const task of problem.tasks) {
      if (!task.spec.pinned) continue;
      const plan = state.plans[task.index];
      given += plan ? plan.price : unplacedPrice(problem, task);
      if (plan) for (const [block, minutes] of workOfPlan(problem, plan)) work[block]! += minutes;
    }
    this.given = given;
    const hands = instance.hands_min;
    this.hands = Float64Array.from({ length: B }, (_, b) => (hands?.[b] ?? Infinity) - work[b]!);
    const perMin = instance.weights.overtime_perHour / 60;
    const scale = usualDayPrice(state);
    this.roomPrices = new Ascent(P * D, (i) => (this.rooms[i]! > 0 ? scale / this.rooms[i]! : 0));
    // Where there are hands for all of it, work costs nothing.
    this.workPrices = new Ascent(B, (b) => (this.hands[b] === Infinity ? 0 : perMin), perMin);
  }

  /** What all would pay at the prices there are, less what the room and the hands would bring: a bound. */
  sell(): number {
    const { problem, prices, rooms, hands, roomPrices, workPrices } = this;
    const { days: D, placeCount: P, blockOf } = problem;
    let bound = this.given;
    for (let p = 0; p < P; p++) {
      const base = p * (D + 1);
      for (let d = 0; d < D; d++) prices.room[base + d + 1] = prices.room[base + d]! + roomPrices.price[p * D + d]!;
    }
    prices.work_perMin.set(workPrices.price);
    roomPrices.wanted.fill(0);
    workPrices.wanted.fill(0);
    for (let i = 0; i < rooms.length; i++) {
      bound -= roomPrices.price[i]! * rooms[i]!;
      roomPrices.wanted[i] = rooms[i]! > 0 ? -rooms[i]! : 0;
    }
    for (let b = 0; b < hands.length; b++) {
      if (hands[b] === Infinity) continue;
      bound -= workPrices.price[b]! * hands[b]!;
      workPrices.wanted[b] = -hands[b]!;
    }
    for (const task of problem.tasks) {
      if (task.spec.pinned) continue;
      const way = this.cheapest(task);
      bound += way.price;
      const { places, days } = way;
      if (!places || !days) continue;
      for (let k = task.first; k < task.stageCount; k++)
        for (let d = days[k]!; d < days[k + 1]!; d++) roomPrices.wanted[places[k]! * D + d]! += task.slots[k]!;
      if (!task.work_min) continue;
      for (let k = task.spec.inProgress ? task.first + 1 : task.first; k <= task.stageCount; k++)
        workPrices.wanted[blockOf[days[k]!]!]! += task.work_min[k]!;
    }
    return bound;
  }

  move(step: number): void {
    this.roomPrices.move(step);
    this.workPrices.move(step);
  }

  /** A plan kept as its own forecast has it is a way as well: its days may be sooner than noons allow. */
  private cheapest(task: Task): Way {
    const { state, problem, prices, before } = this;
    const way = (before[task.index] = cheapestWay(state, task, prices, this.bench, before[task.index]));
    const plan = state.plans[task.index];
    if (!plan?.kept || plan.days[task.stageCount] === NONE) return way;
    const price = plan.price + paidFor(problem, task, plan, prices);
    return price < way.price ? { price, own: plan.price, places: plan.places, days: plan.days } : way;
  }
}

/** Slot parts of each place and day that pinned batches leave; where what stands there already or is pinned is over room there is as much. */
export function roomsForSale({ problem, plans }: State): Float64Array {
  const { days: D, placeCount: P, tasks } = problem;
  const rooms = Float64Array.from(problem.room);
  const standing = new Float64Array(P * D);
  const pinned = new Float64Array(P * D);
  for (const task of tasks) {
    const plan = plans[task.index];
    if (task.spec.pinned && plan) {
      for (const { stage, place, from, to } of staysOf(task, plan))
        for (let d = from; d < to; d++) pinned[place * D + d]! += task.slots[stage]!;
    } else if (task.spec.inProgress) {
      const { at, place } = task.spec.inProgress;
      for (let d = 0; d < D; d++) standing[place * D + d]! += task.slots[at]!;
    }
  }
  for (let i = 0; i < rooms.length; i++) rooms[i] = Math.max(rooms[i]!, standing[i]! + pinned[i]!) - pinned[i]!;
  return rooms;
}

/** What a heated place costs on a day, over the places that are heated; else a tray's day late. */
export function usualDayPrice({ problem, heat, count }: State): number {
  const { instance, blocks: B } = problem;
  let used = 0;
  instance.places.forEach((place, p) => {
    if (place.levels.length < 2) return;
    for (let b = 0; b < B; b++) if (count[p * B + b]! > 0) used += instance.blockDays;
  });
  return used > 0 && heat > 0 ? heat / used : instance.weights.late_perTrayDay;
}

/** See Prices.shut: a heated place is shut in the weeks that are not heated now, unless they cost nothing. */
function shutDays({ problem, rows, count }: State): Int16Array {
  const { days: D, blocks: B, placeCount: P, blockOf, heat, instance } = problem;
  const shut = new Int16Array(P * D);
  for (let p = 0; p < P; p++) {
    let next = D;
    for (let d = D - 1; d >= 0; d--) {
      const at = p * B + blockOf[d]!;
      const set = instance.places[p]!.levels.length > 1;
      if (set && count[at] === 0 && heat[p]![rows[at]! * B + blockOf[d]!]! > 0) next = d;
      shut[p * D + d] = next;
    }
  }
  return shut;
}
