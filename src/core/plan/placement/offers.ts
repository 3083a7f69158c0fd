import { bestPlan, type InsertionScratch, type Terms } from './insert.ts';
import { SLOT_PARTS, type Problem, type Task } from './problem.ts';
import { overIn } from './repair.ts';
import { samePlan } from './settle.ts';
import { addPlan, costOf, removePlan, restoreRow, setRow, type Plan, type State } from './state.ts';

/** A way out of a clash, with its price. Nothing is changed by making it. */
export interface Offer {
  readonly kind: 'place' | 'days' | 'place-and-days' | 'set-point' | 'late' | 'fewer' | 'more-room';
  /** Plans that would change, by task. */
  readonly plans: readonly Plan[];
  /** A set-point that would change: blocks [from, to) of a place. */
  readonly setPoint: SetPointChange | null;
  /** Price against leaving things as they are, without the clash itself. */
  readonly cost: number;
  readonly heat_kWh: number;
  /** Days later the batch (or the batches together) would go out; below 0 = sooner. */
  readonly later_days: number;
  /** Slot-days over room that would be gone. */
  readonly cleared_slotDays: number;
  /** For 'fewer': share of the batch that would find room. For 'more-room': slots lacking, where, and on which days. */
  readonly share_frac: number | null;
  readonly lack: { readonly place: number; readonly slots: number; readonly from: number; readonly to: number } | null;
}

export interface SetPointChange {
  readonly place: number;
  readonly from: number;
  readonly to: number;
  readonly level: number;
}

/** A run of days on which a place is over room. */
export interface ClashCell {
  readonly place: number;
  readonly from: number;
  readonly to: number;
}

const MOST_OFFERS = 3;

/**
 * Ways out of a place being over room: for each batch there, the cheapest other way for it, the cheapest at other days in
 * the same places, and for the place a set-point that lets what stands there go sooner. The best few, of different kinds.
 */
export function offersForRoom(state: State, clash: ClashCell, scratch: InsertionScratch): Offer[] {
  const offers: Offer[] = [];
  const over = overIn(state, clash.place, clash.from, clash.to);
  for (const task of standingIn(state, clash)) {
    offers.push(...waysFor(state, task, clash, over, scratch));
  }
  offers.push(...setPointsFor(state, clash, over, scratch));
  return best(offers.filter((offer) => offer.cleared_slotDays > 0));
}

/** Ways to bring a late batch nearer its date: another way through the house, or warmth where it stands. */
export function offersForLate(state: State, taskIndex: number, scratch: InsertionScratch): Offer[] {
  const task = state.problem.tasks[taskIndex]!;
  const offers = waysFor(state, task, null, 0, scratch).filter((offer) => offer.later_days < 0);
  const plan = state.plans[taskIndex];
  if (plan) {
    for (let k = task.first; k < task.stageCount - 1; k++) {
      const cell = { place: plan.places[k]!, from: plan.days[k]!, to: plan.days[k + 1]! };
      if (cell.place >= 0)
        offers.push(...setPointsFor(state, cell, 0, scratch, taskIndex).filter((o) => o.later_days < 0));
    }
  }
  return best(offers);
}

/** The cheapest things that would place a batch for which there is no way: warmth, a later date, fewer trays, more room. */
export function offersForUnplaced(state: State, taskIndex: number, scratch: InsertionScratch): Offer[] {
  const { problem } = state;
  const task = problem.tasks[taskIndex]!;
  const offers: Offer[] = [];
  const start = costOf(state);
  const had = removePlan(state, taskIndex);
  const price = (plan: Plan): number => {
    addPlan(state, plan);
    const cost = costOf(state) - start;
    removePlan(state, taskIndex);
    return cost;
  };
  const push = (kind: Offer['kind'], plan: Plan, extra: Partial<Offer> = {}) =>
    offers.push({ ...EMPTY, kind, plans: [plan], cost: price(plan), later_days: lateOf(task, plan), ...extra });
  const straight = bestPlan(state, task, scratch);
  if (straight) push('place-and-days', straight);
  else {
    const later = bestPlan(state, task, scratch, laterTerms(problem, task));
    if (later) push('late', later);
    const forced = bestPlan(state, task, scratch, { ignoreRoom: true });
    if (forced) push('more-room', forced, { lack: lackOf(state, task, forced) });
    for (const share_frac of [0.75, 0.5, 0.25]) {
      const slots = task.slots.map((s) => Math.ceil(s * share_frac));
      const plan = bestPlan(state, { ...task, slots }, scratch);
      if (!plan) continue;
      offers.push({
        ...EMPTY,
        kind: 'fewer',
        plans: [plan],
        cost: plan.price,
        later_days: lateOf(task, plan),
        share_frac,
      });
      break;
    }
    offers.push(...warmthFor(state, task, scratch));
  }
  if (had) addPlan(state, had);
  return best(offers);
}

const EMPTY: Omit<Offer, 'kind' | 'plans' | 'cost'> = {
  setPoint: null,
  heat_kWh: 0,
  later_days: 0,
  cleared_slotDays: 0,
  share_frac: null,
  lack: null,
};

/** The best few, no two of one kind for one batch, cheapest first; what clears a clash wholly before what does in part. */
function best(offers: readonly Offer[]): Offer[] {
  const most = Math.max(0, ...offers.map((offer) => offer.cleared_slotDays));
  const sorted = [...offers].sort(
    (a, b) => Number(b.cleared_slotDays >= most - 1e-9) - Number(a.cleared_slotDays >= most - 1e-9) || a.cost - b.cost,
  );
  const seen = new Set<string>();
  const chosen: Offer[] = [];
  for (const offer of sorted) {
    const key = `${offer.kind === 'set-point' ? offer.setPoint!.place : offer.plans[0]?.task}/${offer.kind}`;
    const kinds = chosen.filter((other) => other.kind === offer.kind).length;
    if (seen.has(key) || kinds >= 2) continue;
    seen.add(key);
    chosen.push(offer);
    if (chosen.length === MOST_OFFERS) break;
  }
  return chosen;
}

function standingIn(state: State, { place, from, to }: ClashCell): Task[] {
  return state.problem.tasks.filter((task) => {
    const plan = state.plans[task.index];
    if (!plan || task.spec.pinned) return false;
    for (let k = task.first; k < task.stageCount; k++) {
      const inProgress = task.spec.inProgress !== undefined && k === task.first;
      if (!inProgress && plan.places[k] === place && plan.days[k]! < to && plan.days[k + 1]! > from) return true;
    }
    return false;
  });
}

/** Other ways for one batch: anywhere, and in the same places on other days. */
function waysFor(state: State, task: Task, clash: ClashCell | null, over: number, scratch: InsertionScratch): Offer[] {
  const old = state.plans[task.index];
  const terms: Terms[] = [{}];
  if (old) terms.push({ places: old.places });
  if (clash && old)
    terms.push({
      notPlaces: task.spec.stages.map((_, k) => new Set(old.places[k] === clash.place ? [clash.place] : [])),
    });
  return waysBy(state, task, terms, scratch, clash, over);
}

/** The cheapest way of one batch on each of some terms, where it is another than it has. */
export function waysBy(
  state: State,
  task: Task,
  terms: readonly Terms[],
  scratch: InsertionScratch,
  clash: ClashCell | null = null,
  over = 0,
): Offer[] {
  const start = costOf(state);
  const heat = state.heat;
  const old = removePlan(state, task.index);
  const offers: Offer[] = [];
  for (const term of terms) {
    const plan = bestPlan(state, task, scratch, term);
    if (!plan || (old && samePlan(old, plan))) continue;
    addPlan(state, plan);
    offers.push({
      ...EMPTY,
      kind: kindOf(old, plan),
      plans: [plan],
      cost: costOf(state) - start,
      heat_kWh: kWhOf(state, state.heat - heat),
      later_days: old ? outOf(task, plan) - outOf(task, old) : lateOf(task, plan),
      cleared_slotDays: clash ? over - overIn(state, clash.place, clash.from, clash.to) : 0,
    });
    removePlan(state, task.index);
  }
  if (old) addPlan(state, old);
  return offers;
}

/** A set-point one step up or down for the weeks before and through a run of days, and what follows for all that stand there. */
function setPointsFor(
  state: State,
  clash: ClashCell,
  over: number,
  scratch: InsertionScratch,
  only: number | null = null,
): Offer[] {
  const { problem } = state;
  const { levels } = problem.instance.places[clash.place]!;
  if (levels.length < 2) return [];
  const last = problem.blockOf[Math.min(problem.days - 1, clash.to - 1)]!;
  const from = Math.max(problem.instance.frozenBlocks, problem.blockOf[Math.max(0, clash.from)]! - 1);
  const to = Math.min(problem.blocks, Math.max(from + 1, Math.min(last + 1, from + 3)));
  const now = state.rows[clash.place * problem.blocks + from]!;
  const offers: Offer[] = [];
  for (const level of [now + 1, now + 2, now - 1]) {
    if (level < 0 || level >= levels.length || from >= to) continue;
    const offer = withLevel(state, { place: clash.place, from, to, level }, clash, over, scratch, only);
    if (offer) offers.push(offer);
  }
  return offers;
}

/** Tries a set-point: everything standing there in those weeks goes through the same places at the days that follow. */
function withLevel(
  state: State,
  change: SetPointChange,
  clash: ClashCell,
  over: number,
  scratch: InsertionScratch,
  only: number | null,
): Offer | null {
  const { problem } = state;
  const B = problem.blocks;
  const start = costOf(state);
  const heat = state.heat;
  const affected = touching(state, change);
  if (affected.some((task) => task.spec.pinned)) return null;
  const old = affected.map((task) => removePlan(state, task.index)!);
  const oldRow = state.rows.slice(change.place * B, (change.place + 1) * B);
  const oldVersion = state.rowVersion[change.place]!;
  setRow(state, change.place, change.from, change.to, change.level);
  const plans: Plan[] = [];
  let good = true;
  affected.forEach((task, i) => {
    // The clash itself must not stop what stands in it: room is counted afterwards.
    const plan = good ? bestPlan(state, task, scratch, { places: old[i]!.places, ignoreRoom: true }) : null;
    if (!plan) good = false;
    else {
      plans.push(plan);
      addPlan(state, plan);
    }
  });
  let offer: Offer | null = null;
  if (good) {
    const wider = affected.every((_, i) => !worseRoom(state, plans[i]!, old[i]!));
    const later = plans.reduce((sum, plan, i) => sum + outOf(affected[i]!, plan) - outOf(affected[i]!, old[i]!), 0);
    const own = only === null ? later : ownLater(affected, plans, old, only);
    if (wider || over > 0) {
      offer = {
        ...EMPTY,
        kind: 'set-point',
        plans: plans.filter((plan, i) => !samePlan(plan, old[i]!)),
        setPoint: change,
        cost: costOf(state) - start,
        heat_kWh: kWhOf(state, state.heat - heat),
        later_days: own,
        cleared_slotDays: over - overIn(state, clash.place, clash.from, clash.to),
      };
    }
  }
  for (const plan of plans) removePlan(state, plan.task);
  restoreRow(state, change.place, oldRow, oldVersion);
  for (const plan of old) addPlan(state, plan);
  return offer;
}

function ownLater(affected: readonly Task[], plans: readonly Plan[], old: readonly Plan[], only: number): number {
  const i = affected.findIndex((task) => task.index === only);
  return i < 0 ? 0 : outOf(affected[i]!, plans[i]!) - outOf(affected[i]!, old[i]!);
}

/** Whether a plan stands over room where the one before did not. */
function worseRoom(state: State, plan: Plan, old: Plan): boolean {
  for (let k = 0; k < plan.places.length; k++) {
    const p = plan.places[k]!;
    if (p < 0) continue;
    for (let d = plan.days[k]!; d < plan.days[k + 1]!; d++) {
      const before = old.places[k] === p && d >= old.days[k]! && d < old.days[k + 1]!;
      if (!before && state.free[p * state.problem.days + d]! < 0) return true;
    }
  }
  return false;
}

function touching(state: State, { place, from, to }: SetPointChange): Task[] {
  const { tasks, blockOf } = state.problem;
  return tasks.filter((task) => {
    const plan = state.plans[task.index];
    if (!plan) return false;
    for (let k = task.first; k < task.stageCount; k++) {
      const end = plan.days[k + 1]!;
      if (plan.places[k] !== place || end <= plan.days[k]!) continue;
      if (blockOf[end - 1]! >= from && blockOf[plan.days[k]!]! < to) return true;
    }
    return false;
  });
}

/** For a batch without a way: weeks of an empty heated place at another set-point that would give it one. */
function warmthFor(state: State, task: Task, scratch: InsertionScratch): Offer[] {
  const { problem } = state;
  const B = problem.blocks;
  const offers: Offer[] = [];
  const start = costOf(state);
  const heat = state.heat;
  problem.instance.places.forEach((place, p) => {
    if (place.levels.length < 2) return;
    const row = state.rows.slice(p * B, (p + 1) * B);
    const version = state.rowVersion[p]!;
    const empty = (b: number) => state.count[p * B + b] === 0 && b >= problem.instance.frozenBlocks;
    for (let level = 0; level < place.levels.length; level++) {
      const first = row.findIndex((_, b) => empty(b));
      if (first < 0) return;
      for (let b = 0; b < B; b++) if (empty(b)) setRow(state, p, b, b + 1, level);
      const plan = bestPlan(state, task, scratch);
      if (plan) {
        const k = plan.places.indexOf(p);
        addPlan(state, plan);
        const change = {
          place: p,
          from: problem.blockOf[plan.days[Math.max(0, k)]!]!,
          to: problem.blockOf[plan.days[k + 1]! - 1]! + 1,
          level,
        };
        offers.push({
          ...EMPTY,
          kind: 'set-point',
          plans: [plan],
          setPoint: change,
          cost: costOf(state) - start,
          heat_kWh: kWhOf(state, state.heat - heat),
          later_days: lateOf(task, plan),
        });
        removePlan(state, task.index);
      }
      restoreRow(state, p, row, version);
    }
  });
  return offers;
}

/** Windows two months longer than the nursery would have it. */
function laterTerms(problem: Problem, task: Task): Terms {
  const hi = Int16Array.from(task.hi, (d, k) =>
    task.spec.inProgress && k === task.first ? d : Math.min(problem.days - 1, d + 60),
  );
  return { hi };
}

/** Where a plan that ignores room lacks it most, and from when to when. */
function lackOf(state: State, task: Task, plan: Plan): Offer['lack'] {
  const D = state.problem.days;
  const lacks: NonNullable<Offer['lack']>[] = [];
  for (let k = task.first; k < task.stageCount; k++) {
    const place = plan.places[k]!;
    for (let d = plan.days[k]!; d < plan.days[k + 1]!; d++) {
      const slots = (task.slots[k]! - state.free[place * D + d]!) / SLOT_PARTS;
      if (slots > 0) lacks.push({ place, slots, from: d, to: d + 1 });
    }
  }
  if (lacks.length === 0) return null;
  const most = lacks.reduce((a, b) => (b.slots > a.slots ? b : a));
  const days = lacks.filter((lack) => lack.place === most.place);
  return { ...most, from: days[0]!.from, to: days.at(-1)!.to };
}

function kindOf(old: Plan | null, plan: Plan): Offer['kind'] {
  if (!old) return 'place-and-days';
  const places = plan.places.some((p, k) => p !== old.places[k]);
  const days = plan.days.some((d, k) => d !== old.days[k]);
  return places ? (days ? 'place-and-days' : 'place') : 'days';
}

const outOf = (task: Task, plan: Plan): number => plan.days[task.stageCount]!;
const lateOf = (task: Task, plan: Plan): number => outOf(task, plan) - task.spec.target;
const kWhOf = (state: State, money: number): number => {
  const rate = state.problem.instance.weights.heat_perkWh;
  return rate > 0 ? money / rate : 0;
};
