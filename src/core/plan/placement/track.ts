import {
  boltShare_frac,
  outsideComfort_K,
  type DaySky,
  type LevelSpec,
  type StageSpec,
  type Weights,
} from './instance.ts';

/** Never: no such day. */
export const NONE = -1;
const SLACK = 1e-9;

/** One stage in one place: what each day gains at each set-point, and, for the present set-points, when it may end. */
export interface Track {
  /** By level of the place: gains of a stage in one climate, as gainsFromNoon gives them. */
  readonly gains: readonly Float64Array[];
  /**
   * By level: how much less a day gives until noon of the next when the heat goes off at midnight. null: it cannot be set.
   */
  readonly offAtMidnight: readonly Float64Array[] | null;
  /** Earliest day a stage entered on a day may be left; NONE where it may not be entered. */
  readonly end: Int16Array;
  /** First day from a day on which the stage may not be there. */
  readonly bad: Int16Array;
  /** By level: what each day costs a tray, for bringing it to flower or for being uncomfortable; null: no day does. */
  readonly tolls: readonly Float64Array[] | null;
  /** The same of the present set-points, of all days before a day. */
  readonly tollBefore: Float64Array | null;
  /** Version of the place's set-points that end and bad are for. */
  version: number;
}

/** What a stage gains on each day of a climate; NaN on days on which it may not be there. */
export function dayGains(stage: StageSpec, level: LevelSpec, days: number): Float64Array {
  const gains = new Float64Array(days);
  const tooHigh = stage.mostSetPoint_C !== null && level.setPoint_C !== null && level.setPoint_C > stage.mostSetPoint_C;
  let lastDay_C = NaN;
  let lastNight_C = NaN;
  let last = NaN;
  for (let d = 0; d < days; d++) {
    const day_C = level.day_C[d]!;
    const night_C = level.night_C[d]!;
    const sky = level.sky && skyOn(level.sky, d);
    if (sky || day_C !== lastDay_C || night_C !== lastNight_C) {
      const may = !tooHigh && night_C >= stage.low_C && day_C <= stage.high_C;
      last = may ? stage.gain(day_C, night_C, sky) : NaN;
      lastDay_C = day_C;
      lastNight_C = night_C;
    }
    gains[d] = last;
  }
  return gains;
}

/**
 * What a stage gains from noon of each day to noon of the next: half of this day and half of the next, at the same
 * set-point, since set-points are changed at noon. NaN on days on which the stage may not be there.
 */
export function gainsFromNoon(gains: Float64Array): Float64Array {
  const days = gains.length;
  const fromNoon = new Float64Array(days);
  for (let d = 0; d < days; d++) {
    const next = gains[d + 1 < days ? d + 1 : d]!;
    fromNoon[d] = (gains[d]! + (next === next ? next : 0)) / 2;
  }
  return fromNoon;
}

/**
 * How much less each day gives until noon of the next when the heat goes off at midnight; see Track.offAtMidnight.
 * @param set what each day gains at the set-point, as dayGains gives it
 * @param unheated the same of the place unheated
 */
export function lessAtMidnight(set: Float64Array, unheated: Float64Array): Float64Array {
  const days = set.length;
  const less = new Float64Array(days);
  for (let d = 0; d < days; d++) {
    const next = d + 1 < days ? d + 1 : d;
    const on = set[next]!;
    const off = unheated[next]!;
    const gone = (on - (off === off ? off : 0)) / 2;
    // Also 0 where the stage may not be there at the set-point (NaN).
    less[d] = gone > 0 ? gone : 0;
  }
  return less;
}

/** Hours and light of a day. */
export function skyOn({ hours_C, light_mol_m2, wet_K = 0 }: NonNullable<LevelSpec['sky']>, d: number): DaySky {
  return { hours_C: hours_C.subarray(24 * d, 24 * d + 24), light_mol_m2: light_mol_m2[d]!, wet_K };
}

/** What each day of a climate costs a tray of this stage, for bringing it to flower or for being uncomfortable; null where none does. */
export function tollsIn(spec: StageSpec, level: LevelSpec, days: number, weights: Weights): Float64Array | null {
  const { bolt, comfort } = spec;
  if (!bolt && !comfort) return null;
  return Float64Array.from({ length: days }, (_, d) => {
    const [day_C, night_C] = [level.day_C[d]!, level.night_C[d]!];
    const flowers = bolt ? weights.unplaced_perTray * boltShare_frac(bolt, day_C, night_C) : 0;
    return flowers + weights.discomfort_perTrayKelvin * outsideComfort_K(spec, day_C, night_C);
  });
}

export function makeTrack(
  gains: readonly Float64Array[],
  days: number,
  offAtMidnight: readonly Float64Array[] | null = null,
  tolls: readonly Float64Array[] | null = null,
): Track {
  const tollBefore = tolls === null ? null : new Float64Array(days + 1);
  return {
    gains,
    offAtMidnight,
    end: new Int16Array(days + 1),
    bad: new Int16Array(days + 1),
    tolls,
    tollBefore,
    version: NONE,
  };
}

/** Scratch for the running total at noon of each day. */
let noon = new Float64Array(0);

/**
 * Works out `end` and `bad` for a row of set-points. A stage entered on day d gains from noon of d (plus its standstill);
 * it may be left on the first day by whose noon it has gained its need; on the first day of a block, even if the heat went
 * off at midnight: what stood there no longer keeps the place heated.
 * @param row level of each block, from `rowFrom`
 */
export function refreshTrack(
  track: Track,
  stage: StageSpec,
  row: Uint8Array,
  rowFrom: number,
  blockOf: Uint8Array,
  days: number,
): void {
  if (noon.length < days + 1) noon = new Float64Array(days + 1);
  const { gains, end, bad } = track;
  let total = 0;
  let block = NONE;
  let here = gains[0]!;
  let firstUnknown = 0;
  for (let d = 0; d < days; d++) {
    if (blockOf[d]! !== block) {
      block = blockOf[d]!;
      here = gains[row[rowFrom + block]!]!;
    }
    const gain = here[d]!;
    noon[d] = total;
    if (gain === gain) total += gain;
    else {
      for (; firstUnknown <= d; firstUnknown++) bad[firstUnknown] = d;
    }
  }
  for (; firstUnknown <= days; firstUnknown++) bad[firstUnknown] = days;
  const { tolls, tollBefore } = track;
  if (tolls && tollBefore)
    for (let d = 0; d < days; d++) tollBefore[d + 1] = tollBefore[d]! + tolls[row[rowFrom + blockOf[d]!]!]![d]!;
  const { need, standstill_days, least_days } = stage;
  let e = 0;
  for (let d = 0; d < days; d++) {
    const start = d + standstill_days;
    const soonest = Math.max(start, d + least_days);
    if (soonest >= days) {
      end[d] = NONE;
      continue;
    }
    if (e < soonest) e = soonest;
    if (need > 0) {
      const goal = noon[start]! + need - SLACK;
      while (e < days && noon[e]! - short(track, e, row, rowFrom, blockOf) < goal) e++;
    } else e = soonest;
    end[d] = e < days && e <= bad[d]! ? e : NONE;
  }
  end[days] = NONE;
}

/** What the noon of a day lacks of its running total if the heat went off at the midnight before: only where a block begins. */
function short({ offAtMidnight }: Track, d: number, row: Uint8Array, rowFrom: number, blockOf: Uint8Array): number {
  if (offAtMidnight === null || d === 0 || blockOf[d]! === blockOf[d - 1]!) return 0;
  return offAtMidnight[row[rowFrom + blockOf[d - 1]!]!]![d - 1]!;
}

/** Earliest day by whose noon `need` is gained from noon of `day`, for a batch already there; NONE when never or not allowed. */
export function endFrom(
  track: Track,
  need: number,
  day: number,
  row: Uint8Array,
  rowFrom: number,
  blockOf: Uint8Array,
  days: number,
): number {
  let left = need - SLACK;
  for (let d = day; d < days; d++) {
    if (left + (d > day ? short(track, d, row, rowFrom, blockOf) : 0) <= 0) return d;
    const gain = track.gains[row[rowFrom + blockOf[d]!]!]![d]!;
    if (!(gain === gain)) return NONE;
    left -= gain;
  }
  return NONE;
}
