import type { DayNumber } from '../../calendar/dayNumber.ts';
import type { Stage } from '../stage.ts';
import type { SeasonBatchToPlan, SeasonInstance } from './fromSeason.ts';
import { bestPlan, makeScratch, type InsertionScratch, type Terms } from './insert.ts';
import { makeProblem, SLOT_PARTS, type Problem, type Task } from './problem.ts';
import { presentState } from './present.ts';
import { proposedBatch, type ProposedBatch, type ProposedSetPoints } from './proposal.ts';
import { staysOf } from './solution.ts';
import { addPlan, costOf, removePlan, restoreRow, type Plan, type State } from './state.ts';
import { NONE } from './track.ts';

/** One way through the house for a new batch, with what it costs beside what already stands there. */
export interface NewWay {
  readonly proposed: ProposedBatch;
  readonly out: DayNumber;
  /** Days after its date that it goes out; below 0 = sooner. */
  readonly late_days: number;
  readonly heat_kWh: number;
  readonly heat_money: number;
  /** Trays carried from place to place. */
  readonly moves_trays: number;
  /** Set-points of weeks in which nothing stands there yet, where it wants others. */
  readonly setPoints: readonly ProposedSetPoints[];
  /** Where there is no room for all of it; empty: there is. */
  readonly lacks: readonly Lack[];
}

export interface Lack {
  readonly placeId: number;
  readonly slots: number;
  readonly from: DayNumber;
  /** The day after the last. */
  readonly to: DayNumber;
}

/** A stage for which no place of the nursery will do in the weeks it would come, and the place that comes nearest. */
export interface Missing {
  readonly stage: Stage;
  /** Coldest night and warmest day it may have. */
  readonly low_C: number;
  readonly high_C: number;
  /** The weeks looked at. */
  readonly from: DayNumber;
  readonly to: DayNumber;
  /** The place least outside that, with the night or the day there; null: no place is of a kind that will do. */
  readonly nearest: { readonly placeId: number; readonly why: 'cold' | 'hot'; readonly temperature_C: number } | null;
}

/** What the planner found for a new batch. */
export interface Placed {
  readonly id: number;
  /** Cheapest first; with room first, and where there is none at all one that says what is lacking. */
  readonly ways: readonly NewWay[];
  /** Share of the batch there is room for where there is not for all; null: for all, or for none. */
  readonly fits_frac: number | null;
  readonly missing: readonly Missing[];
}

const MOST_WAYS = 3;
/** A stage may come so many days sooner than it would have to. */
const LOOKED_AT_days = 7;
/** Days beyond the latest usual day out on which a way is looked for when there is none sooner. */
const LATER_days = 60;
const SHARES = [0.75, 0.5, 0.25, 0.1] as const;

/**
 * Places new batches, one after another, in the room that what is there already leaves them: the planner's own insertion,
 * with the set-points of weeks in which nothing stands there free. What stands there is not moved.
 * @param season the season with the new batches in it
 * @param news their numbers, in the order in which they are placed
 */
export function placeNew(
  season: SeasonInstance,
  batches: ReadonlyMap<number, SeasonBatchToPlan>,
  news: readonly number[],
): Placed[] {
  const problem = makeProblem(season.instance);
  const scratch = makeScratch(problem);
  const state = presentState(problem, season, batches);
  const indexes = news.map((id) => season.batches.findIndex((batch) => batch.id === id));
  for (const index of indexes) removePlan(state, index);
  return indexes.map((index, i) => placeOne({ season, problem, scratch, state, batches }, index, news[i]!));
}

interface Work {
  readonly season: SeasonInstance;
  readonly problem: Problem;
  readonly scratch: InsertionScratch;
  readonly state: State;
  readonly batches: ReadonlyMap<number, SeasonBatchToPlan>;
}

/** A plan with the rows it was found at. */
interface Found {
  readonly plan: Plan;
  readonly rows: Uint8Array;
  readonly cost: number;
}

function placeOne(work: Work, index: number, id: number): Placed {
  const { state, problem } = work;
  const task = problem.tasks[index]!;
  const before = state.rows.slice();
  const found: Found[] = [];
  const schemes = schemesOf(work);
  const tryAll = (terms: Terms, of: Task = task): Found | null => {
    let best: Found | null = null;
    for (const rows of schemes) {
      setRows(state, rows);
      const one = tryOnce(work, of, terms);
      if (one && (!best || one.cost < best.cost - 1e-9)) best = one;
    }
    setRows(state, before);
    return best;
  };
  const first = tryAll({});
  if (first) {
    found.push(first);
    // Other ways: each without one of the places of the first.
    const others = Array.from(first.plan.places.keys()).filter((k) => k >= task.first && first.plan.places[k] !== NONE);
    const ways = others.flatMap((k) => {
      const not = task.spec.stages.map((__, j) => new Set(j === k ? [first.plan.places[k]!] : []));
      return tryAll({ notPlaces: not }) ?? [];
    });
    for (const way of ways.sort((a, b) => a.cost - b.cost)) {
      if (found.length < MOST_WAYS && !found.some((f) => samePlaces(f.plan, way.plan))) found.push(way);
    }
  }
  let fits_frac: number | null = null;
  if (!first) {
    // Out of its days before out of room.
    const hi = Int16Array.from(task.hi, (d, k) =>
      k === task.first && task.spec.startsOn !== undefined ? d : Math.min(problem.days - 1, d + LATER_days),
    );
    const forced = tryAll({ hi }) ?? tryAll({ ignoreRoom: true });
    if (forced) {
      found.push(forced);
      fits_frac =
        SHARES.find((share) => {
          const part: Task = { ...task, slots: task.slots.map((s) => Math.ceil(s * share)) };
          return tryAll({}, part) !== null;
        }) ?? null;
    }
  }
  const ways = found.map((one) => wayOf(work, task, one, before));
  const best = found[0];
  // What comes after finds this one there.
  if (best) {
    setRows(state, best.rows);
    addPlan(state, best.plan);
  } else setRows(state, before);
  return { id, ways, fits_frac, missing: found.length > 0 ? [] : missingOf(work, task) };
}

function tryOnce({ state, scratch }: Work, task: Task, terms: Terms): Found | null {
  const start = costOf(state);
  const plan = bestPlan(state, task, scratch, terms);
  if (!plan) return null;
  addPlan(state, plan);
  const cost = costOf(state) - start;
  removePlan(state, task.index);
  return { plan, rows: state.rows.slice(), cost };
}

/**
 * Rows of set-points to try: as they are; and for each temperature any place can be set to, all weeks in which nothing
 * stands there at the level nearest to it. And one place so with the others as usual.
 */
function schemesOf({ state, problem, season }: Work): Uint8Array[] {
  const { blocks: B, instance } = problem;
  const now = state.rows.slice();
  const heated = instance.places.flatMap((place, p) => (place.levels.length > 1 ? [p] : []));
  const emptyAt = (p: number, level: (p: number) => number): Uint8Array => {
    const row = now.slice(p * B, (p + 1) * B);
    for (let b = instance.frozenBlocks; b < B; b++) if (state.count[p * B + b] === 0) row[b] = level(p);
    return row;
  };
  const whole = (level: (p: number) => number): Uint8Array => {
    const rows = now.slice();
    for (const p of heated) rows.set(emptyAt(p, level), p * B);
    return rows;
  };
  const usual = whole((p) => season.usualLevels[p]!);
  const temperatures = [
    ...new Set(heated.flatMap((p) => instance.places[p]!.levels.flatMap((l) => l.setPoint_C ?? []))),
  ].sort((a, b) => a - b);
  const schemes = [now, usual];
  for (const t of temperatures) {
    const near = (p: number) => nearestLevel(instance.places[p]!.levels, t);
    schemes.push(whole(near));
    // One place so, the others as usual: a warm chamber beside cool benches.
    for (const p of heated) {
      const rows = usual.slice();
      rows.set(emptyAt(p, near), p * B);
      schemes.push(rows);
    }
  }
  const seen = new Set<string>();
  return schemes.filter((rows) => {
    const key = rows.join();
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

function nearestLevel(levels: readonly { readonly setPoint_C: number | null }[], t: number): number {
  let best = 1;
  levels.forEach((level, l) => {
    const off = (i: number) => Math.abs((levels[i]!.setPoint_C ?? -Infinity) - t);
    if (level.setPoint_C !== null && off(l) < off(best)) best = l;
  });
  return best;
}

/** Puts rows into a state, only where they differ. */
function setRows(state: State, rows: Uint8Array): void {
  const { placeCount: P, blocks: B } = state.problem;
  for (let p = 0; p < P; p++) {
    const row = rows.subarray(p * B, (p + 1) * B);
    if (row.some((level, b) => state.rows[p * B + b] !== level)) restoreRow(state, p, row, ++state.problem.versions);
  }
}

function wayOf(work: Work, task: Task, { plan, rows }: Found, before: Uint8Array): NewWay {
  const { season, state, problem, batches } = work;
  const { from, placeIds, instance } = season;
  const B = problem.blocks;
  setRows(state, rows);
  const heat = state.heat;
  const kWh = heatOf_kWh(state);
  const lacks = lacksOf(state, task, plan).map((lack) => ({
    ...lack,
    placeId: placeIds[lack.placeId]!,
    from: from + lack.from,
    to: from + lack.to,
  }));
  addPlan(state, plan);
  const stays = staysOf(task, plan);
  const out = plan.days[task.stageCount]!;
  const setPoints = placeIds.flatMap((placeId, p): ProposedSetPoints[] => {
    const used = new Set<number>();
    for (const stay of stays)
      if (stay.place === p) for (let d = stay.from; d < stay.to; d++) used.add(problem.blockOf[d]!);
    const weeks = [...used]
      .filter((b) => rows[p * B + b] !== before[p * B + b])
      .map((b) => ({
        week: from + 7 * b,
        setPoint_C: instance.places[p]!.levels[rows[p * B + b]!]!.setPoint_C,
      }));
    return weeks.length === 0 ? [] : [{ placeId, setPoints: weeks }];
  });
  const way: NewWay = {
    proposed: proposedBatch(season, task.index, stays, out, batches.get(task.spec.id)!.plan),
    out: from + out,
    late_days: out - task.spec.target,
    heat_kWh: heatOf_kWh(state) - kWh,
    heat_money: state.heat - heat,
    moves_trays: stays.filter((stay, i) => i > 0 && stays[i - 1]!.place !== stay.place).length * task.spec.trays,
    setPoints,
    lacks,
  };
  removePlan(state, task.index);
  return way;
}

function heatOf_kWh({ problem, rows, count }: State): number {
  const B = problem.blocks;
  let sum = 0;
  problem.heat_kWh.forEach((kWh, p) => {
    for (let b = 0; b < B; b++) if (count[p * B + b]! > 0) sum += kWh[rows[p * B + b]! * B + b]!;
  });
  return sum;
}

/** Runs of days on which a plan finds too little room, by index of place and day of the instance. */
function lacksOf({ free, problem }: State, task: Task, plan: Plan): Lack[] {
  const lacks: Lack[] = [];
  for (let k = task.first; k < task.stageCount; k++) {
    const p = plan.places[k]!;
    for (let d = plan.days[k]!; d < plan.days[k + 1]!; d++) {
      const slots = (task.slots[k]! - free[p * problem.days + d]!) / SLOT_PARTS;
      if (slots <= 0) continue;
      const last = lacks.at(-1);
      if (last && last.placeId === p && last.to === d)
        lacks[lacks.length - 1] = { ...last, to: d + 1, slots: Math.max(last.slots, slots) };
      else lacks.push({ placeId: p, slots, from: d, to: d + 1 });
    }
  }
  return lacks;
}

/** Stages for which no place, at any of its set-points, will do on any day of the weeks in which they would have to come. */
function missingOf({ problem, season }: Work, task: Task): Missing[] {
  const { instance, days } = problem;
  const { stages } = season.batches[task.index]!;
  // Back from its date by the days each stage may fairly take.
  const ends = [Math.min(days - 1, task.spec.target + task.spec.after_days)];
  for (const index of [...task.spec.stages].reverse()) {
    const { fair_days, need } = instance.stages[index]!;
    ends.unshift(Math.max(instance.today, ends[0]! - Math.round(fair_days ?? need)));
  }
  return task.spec.stages.flatMap((index, k): Missing[] => {
    const { places, low_C, high_C } = instance.stages[index]!;
    const to = Math.max(instance.today + 1, ends[k + 1]!);
    const first = Math.max(instance.today, ends[k]! - LOOKED_AT_days);
    let nearest: Missing['nearest'] = null;
    let least_K = Infinity;
    for (const p of places) {
      for (const level of instance.places[p]!.levels) {
        for (let d = first; d < to; d++) {
          const cold_K = low_C - level.night_C[d]!;
          const hot_K = level.day_C[d]! - high_C;
          const off_K = Math.max(cold_K, hot_K);
          if (off_K <= 0) return [];
          if (off_K >= least_K) continue;
          least_K = off_K;
          const why = cold_K >= hot_K ? 'cold' : 'hot';
          const temperature_C = why === 'cold' ? level.night_C[d]! : level.day_C[d]!;
          nearest = { placeId: season.placeIds[p]!, why, temperature_C };
        }
      }
    }
    return [{ stage: stages[k]!, low_C, high_C, from: season.from + first, to: season.from + to, nearest }];
  });
}

const samePlaces = (a: Plan, b: Plan): boolean => a.places.every((p, k) => p === b.places[k]);
