import { heatMoney } from './energy.ts';
import type { BatchSpec, Instance, LevelSpec, StageSpec } from './instance.ts';
import { outPricesOf } from './outPrices.ts';
import {
  dayGains,
  gainsFromNoon,
  lessAtMidnight,
  tollsIn,
  makeTrack,
  NONE,
  refreshTrack,
  type Track,
} from './track.ts';

/** Tray slots are counted in hundredths, so that half slots add up exactly. */
export const SLOT_PARTS = 100;
/** Widest run of days looked at for entering one stage. */
const WIDEST_days = 84;

/** A batch with its windows worked out. Index k runs over its stages; k = stages is the day it goes out. */
export interface Task {
  readonly index: number;
  readonly spec: BatchSpec;
  readonly stageCount: number;
  /** First stage to place: 0, or the one it is in. */
  readonly first: number;
  readonly slots: Int32Array;
  /** Days on which each stage may be entered. */
  readonly lo: Int16Array;
  readonly hi: Int16Array;
  /**
   * The least that is still to pay when stage k is entered on a day, toGo[k x days + day]: lateness or earliness that cannot
   * be helped any more, and moves that must come. Infinity when it can never go out.
   */
  readonly toGo: Float64Array;
  /** Price of being planned to go out on each day. */
  readonly outPrices: Float64Array;
  /** Minutes of work at the entry of each stage, and last at planting out; null: none, or hands for all of it. */
  readonly work_min: Float64Array | null;
}

/** An instance made ready for searching. */
export interface Problem {
  readonly instance: Instance;
  readonly days: number;
  readonly blocks: number;
  readonly placeCount: number;
  readonly mostStages: number;
  /** Block of each day, one past the end included. */
  readonly blockOf: Uint8Array;
  /** Room of a place on a day: room[place x days + day], hundredths of a slot. 0 when closed. */
  readonly room: Int32Array;
  /** Price of a block at a level: heat[place][level x blocks + block]. */
  readonly heat: readonly Float64Array[];
  readonly heat_kWh: readonly Float64Array[];
  readonly tasks: readonly Task[];
  /** Levels that are not alike, and for each place which of them its levels are. */
  readonly climates: readonly LevelSpec[];
  readonly climateOf: readonly (readonly number[])[];
  /** What a stage gains in a climate, each day and from noon to noon, by stage x climates + climate, made at first use. */
  readonly gains: (Gains | null)[];
  /** Tracks by stage x places + place, made at first use. */
  readonly tracks: (Track | null)[];
  /** Counts versions of set-point rows over all states, so that a shared track never takes one row for another. */
  versions: number;
}

/**
 * @throws RangeError for figures out of bounds: no days, a row of another length, a stage or place that is not there
 */
export function makeProblem(instance: Instance): Problem {
  const { days, blockDays, blockOffset, places } = instance;
  if (!(days >= 1 && days <= 2000)) throw new RangeError(`days is ${days}; it must be 1 to 2000`);
  if (!(places.length <= 100)) throw new RangeError(`places is ${places.length}; it must be at most 100`);
  const blockOf = new Uint8Array(days + 1);
  for (let d = 0; d <= days; d++) {
    const block = Math.floor((d + blockOffset) / blockDays);
    if (block > 255) throw new RangeError(`blocks is over 255; use longer blocks than ${blockDays} days`);
    blockOf[d] = block;
  }
  const blocks = blockOf[days]! + 1;
  const room = new Int32Array(places.length * days);
  const heat: Float64Array[] = [];
  const heat_kWh: Float64Array[] = [];
  places.forEach((place, p) => {
    if (!(place.room_slots >= 0))
      throw new RangeError(`room of ${place.name} is ${place.room_slots}; it must be 0 or more`);
    if (place.row.length < blocks)
      throw new RangeError(`${place.name} has set-points for ${place.row.length} of ${blocks} blocks`);
    room.fill(Math.floor(place.room_slots * SLOT_PARTS + 1e-6), p * days, (p + 1) * days);
    for (const [from, to] of place.closed) {
      const end = Math.min(days, to);
      if (end > from) room.fill(0, p * days + Math.max(0, from), p * days + end);
    }
    const kWh = new Float64Array(place.levels.length * blocks);
    const money = new Float64Array(place.levels.length * blocks);
    place.levels.forEach((level, l) => {
      for (let d = 0; d < days; d++) {
        const at = l * blocks + blockOf[d]!;
        const night_kWh = level.heatNight_kWh?.[d] ?? level.heat_kWh[d]! / 2;
        kWh[at]! += level.heat_kWh[d]!;
        money[at]! += heatMoney({ day_kWh: level.heat_kWh[d]! - night_kWh, night_kWh }, instance.weights);
      }
    });
    heat_kWh.push(kWh);
    heat.push(money);
  });
  const { climates, climateOf } = climatesOf(instance);
  const tracks: (Track | null)[] = new Array<Track | null>(instance.stages.length * places.length).fill(null);
  const problem: Problem = {
    instance,
    days,
    blocks,
    placeCount: places.length,
    mostStages: Math.max(1, ...instance.batches.map((b) => b.stages.length)),
    blockOf,
    room,
    heat,
    heat_kWh,
    tasks: [],
    climates,
    climateOf,
    gains: new Array<Gains | null>(instance.stages.length * climates.length).fill(null),
    tracks,
    versions: 0,
  };
  const reach = reaches(problem);
  (problem.tasks as Task[]).push(...instance.batches.map((spec, index) => taskOf(problem, spec, index, reach)));
  return problem;
}

/** The track of a stage in a place. */
export function trackOf(problem: Problem, stage: number, place: number): Track {
  const at = stage * problem.placeCount + place;
  const known = problem.tracks[at];
  if (known) return known;
  const both = problem.climateOf[place]!.map((climate) => gainsOf(problem, stage, climate));
  const gains = both.map((one) => one.fromNoon);
  const spec = problem.instance.stages[stage]!;
  const tolls = problem.climateOf[place]!.flatMap(
    (climate) => tollsIn(spec, problem.climates[climate]!, problem.days, problem.instance.weights) ?? [],
  );
  const off = both.length > 1 ? both.map((one) => lessWithout(one, both[0]!)) : null;
  return (problem.tracks[at] = makeTrack(
    gains,
    problem.days,
    off,
    tolls.some((b) => b.some((f) => f > 0)) ? tolls : null,
  ));
}

interface Gains {
  readonly byDay: Float64Array;
  readonly fromNoon: Float64Array;
  /** What is lost when the heat goes off at midnight, by the gains of the place unheated. */
  readonly less: Map<Gains, Float64Array>;
}

function lessWithout(set: Gains, unheated: Gains): Float64Array {
  let less = set.less.get(unheated);
  if (!less) set.less.set(unheated, (less = lessAtMidnight(set.byDay, unheated.byDay)));
  return less;
}

function gainsOf(problem: Problem, stage: number, climate: number): Gains {
  const at = stage * problem.climates.length + climate;
  const known = problem.gains[at];
  if (known) return known;
  const byDay = dayGains(problem.instance.stages[stage]!, problem.climates[climate]!, problem.days);
  return (problem.gains[at] = { byDay, fromNoon: gainsFromNoon(byDay), less: new Map() });
}

/** Levels with the same set-point and the same temperatures on every day are one climate: many places are alike. */
function climatesOf({ places, days }: Instance): { climates: LevelSpec[]; climateOf: number[][] } {
  const climates: LevelSpec[] = [];
  const byKey = new Map<number, number[]>();
  const alike = (a: LevelSpec, b: LevelSpec): boolean => {
    if (a.setPoint_C !== b.setPoint_C) return false;
    if ((a.sky === undefined) !== (b.sky === undefined)) return false;
    for (let d = 0; d < days; d++) {
      if (a.day_C[d] !== b.day_C[d] || a.night_C[d] !== b.night_C[d]) return false;
      // The same day and night with the same light and the same noon have the same hours.
      if (a.sky && a.sky.light_mol_m2[d] !== b.sky!.light_mol_m2[d]) return false;
      if (a.sky && a.sky.hours_C[24 * d + 12] !== b.sky!.hours_C[24 * d + 12]) return false;
      if (a.sky && a.sky.hours_C[24 * d + 20] !== b.sky!.hours_C[24 * d + 20]) return false;
    }
    return true;
  };
  const climateOf = places.map(({ levels }) =>
    levels.map((level) => {
      const key = (level.day_C[0]! * 1000 + level.night_C[days >> 1]!) | 0;
      const near = byKey.get(key) ?? [];
      const known = near.find((c) => alike(climates[c]!, level));
      if (known !== undefined) return known;
      byKey.set(key, [...near, climates.length]);
      return climates.push(level) - 1;
    }),
  );
  return { climates, climateOf };
}

interface Reach {
  /** Soonest day a stage entered on a day can be left if each day had its best place and set-point; NONE when it cannot. */
  readonly soonest: Int16Array;
  /** The same if each day had the slowest that still works; NONE when that is not known to end. */
  readonly latest: Int16Array;
}

/** How soon and how late each stage can be left, so that the search looks only where a way can be. Worked out at first use. */
function reaches(problem: Problem): (stage: number) => Reach {
  const known = new Map<number, Reach>();
  return (stage) => {
    let reach = known.get(stage);
    if (!reach) known.set(stage, (reach = reachOf(problem, problem.instance.stages[stage]!, stage)));
    return reach;
  };
}

function reachOf(problem: Problem, spec: StageSpec, stage: number): Reach {
  const { days, blocks, blockOf } = problem;
  const row = new Uint8Array(blocks);
  const most = new Float64Array(days).fill(NaN);
  const least = new Float64Array(days).fill(NaN);
  for (const climate of new Set(spec.places.flatMap((p) => problem.climateOf[p]!))) {
    const gains = gainsOf(problem, stage, climate).fromNoon;
    for (let d = 0; d < days; d++) {
      const gain = gains[d]!;
      if (!(most[d]! >= gain) && gain === gain) most[d] = gain;
      if (!(least[d]! <= gain) && gain === gain) least[d] = gain;
    }
  }
  const fast = makeTrack([most], days);
  refreshTrack(fast, spec, row, 0, blockOf, days);
  const slow = makeTrack([least], days);
  refreshTrack(slow, spec, row, 0, blockOf, days);
  // Where the heat goes off at midnight it takes a day more.
  return { soonest: fast.end, latest: slow.end.map((d) => (d === NONE ? NONE : Math.min(days - 1, d + 1))) };
}

function taskOf(problem: Problem, spec: BatchSpec, index: number, reach: (stage: number) => Reach): Task {
  const { days, instance } = problem;
  const { weights, today } = instance;
  const K = spec.stages.length;
  if (K === 0 || spec.slots.length !== K)
    throw new RangeError(`${spec.name} needs as many tray spaces figures as stages, and one at least`);
  for (const slots of spec.slots) {
    if (!(slots >= 0)) throw new RangeError(`tray spaces of ${spec.name} is ${slots}; it must be 0 or more`);
  }
  const lo = new Int16Array(K + 1);
  const hi = new Int16Array(K + 1);
  const clamp = (d: number) => Math.max(0, Math.min(days - 1, d));
  hi[K] = clamp(spec.target + spec.after_days + weights.mostLate_days);
  const earliest = Math.max(spec.target - spec.before_days - weights.mostEarly_days, spec.notBefore ?? 0);
  lo[K] = Math.min(hi[K]!, Math.max(today, clamp(earliest)));
  const first = spec.pinned?.[0]?.stage ?? spec.inProgress?.at ?? 0;
  for (let k = K - 1; k >= first; k--) {
    const stage = instance.stages[spec.stages[k]!];
    if (!stage) throw new RangeError(`${spec.name} names stage ${spec.stages[k]}, which is not there`);
    const { soonest, latest } = reach(spec.stages[k]!);
    let high = hi[k + 1]!;
    while (high > 0 && (soonest[high] === NONE || soonest[high]! > hi[k + 1]!)) high--;
    let low = high;
    const until = Math.max(today, high - WIDEST_days);
    while (low > until && (latest[low - 1] === NONE || latest[low - 1]! + stage.mostWait_days >= lo[k + 1]!)) low--;
    hi[k] = high;
    lo[k] = Math.min(high, Math.max(low, today));
  }
  if (spec.inProgress && !spec.pinned) lo[first] = hi[first] = spec.inProgress.day;
  else if (spec.startsOn !== undefined && !spec.pinned) lo[first] = hi[first] = Math.max(today, clamp(spec.startsOn));
  const outPrices = outPricesOf(weights, spec, days);
  return {
    index,
    spec,
    outPrices,
    work_min: instance.hands_min && spec.work_min ? Float64Array.from(spec.work_min) : null,
    stageCount: K,
    first,
    slots: Int32Array.from(spec.slots, (s) => Math.ceil(s * SLOT_PARTS - 1e-6)),
    lo,
    hi,
    toGo: toGoOf(problem, spec, first, reach, outPrices),
  };
}

/** See Task.toGo. */
function toGoOf(
  problem: Problem,
  spec: BatchSpec,
  first: number,
  reach: (stage: number) => Reach,
  outPrices: Float64Array,
): Float64Array {
  const { days: D, instance } = problem;
  const K = spec.stages.length;
  const toGo = new Float64Array((K + 1) * D);
  // The least price of going out on a day or later, and on a day or sooner.
  const fromDay = outPrices.slice();
  const untilDay = outPrices.slice();
  for (let d = D - 2; d >= 0; d--) fromDay[d] = Math.min(fromDay[d]!, fromDay[d + 1]!);
  for (let d = 1; d < D; d++) untilDay[d] = Math.min(untilDay[d]!, untilDay[d - 1]!);
  const move = instance.weights.move_perTray * spec.trays;
  // Soonest day out when stage k is entered on a day or later; latest when it is entered on a day or sooner.
  let soon = new Float64Array(D);
  for (let d = 0; d < D; d++) soon[d] = d;
  let late = soon.slice();
  let [soonNext, lateNext] = [new Float64Array(D), new Float64Array(D)];
  let moves = 0;
  for (let k = K; k >= first; k--) {
    if (k < K) {
      const here = instance.stages[spec.stages[k]!]!;
      const next = instance.stages[spec.stages[k + 1] ?? -1];
      // What stands there already, or comes on its day, cannot but wait.
      const inProgress = spec.inProgress?.at === k;
      const waits = inProgress || (k === first && spec.startsOn !== undefined);
      if (next && !inProgress && !next.places.some((p) => here.places.includes(p))) moves += move;
      const { soonest, latest } = reach(spec.stages[k]!);
      [soon, soonNext, late, lateNext] = [soonNext, soon, lateNext, late];
      for (let d = 0; d < D; d++) {
        const end = inProgress ? d : soonest[d]!;
        const last = waits || latest[d] === NONE ? D - 1 : Math.min(D - 1, latest[d]! + here.mostWait_days);
        soon[d] = end === NONE ? Infinity : soonNext[end]!;
        late[d] = end === NONE ? -Infinity : lateNext[last]!;
      }
    }
    for (let d = 0; d < D; d++) {
      let least = moves;
      if (soon[d] === Infinity) least = Infinity;
      else least += Math.max(fromDay[soon[d]!]!, late[d]! >= 0 ? untilDay[late[d]!]! : 0);
      toGo[k * D + d] = least;
    }
    for (let d = D - 2; d >= 0; d--) soon[d] = Math.min(soon[d]!, soon[d + 1]!);
    for (let d = 1; d < D; d++) late[d] = Math.max(late[d]!, late[d - 1]!);
  }
  return toGo;
}
