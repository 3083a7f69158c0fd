/**
 * A placement to be solved, in plain records. Days are indexes from 0 (day 0 is a Monday or the first day of the season);
 * a stay covers days [from, to). Work is done at noon.
 */
export interface Instance {
  readonly days: number;
  /** Days of one set-point block (a week), and how many days of the first block lie before day 0. */
  readonly blockDays: number;
  readonly blockOffset: number;
  /** Blocks before this one keep the set-point they have. */
  readonly frozenBlocks: number;
  /** Nothing that has not happened is placed before this day. */
  readonly today: number;
  readonly places: readonly PlaceSpec[];
  readonly stages: readonly StageSpec[];
  readonly batches: readonly BatchSpec[];
  readonly weights: Weights;
  /** Minutes of work there are hands for in each block; absent: as many as it takes. */
  readonly hands_min?: readonly number[];
}

/** The temperatures a place would have on each day at one set-point, and what that costs in heat. */
export interface LevelSpec {
  /** Set-point; null = not heated. */
  readonly setPoint_C: number | null;
  readonly day_C: Float64Array;
  readonly night_C: Float64Array;
  /** Heat of each day, kWh. */
  readonly heat_kWh: Float64Array;
  /** The part of it by night, where night has a price of its own; absent: half. */
  readonly heatNight_kWh?: Float64Array;
  /** Hours and light of a day, where they are known. */
  readonly sky?: { readonly hours_C: Float64Array; readonly light_mol_m2: Float64Array; readonly wet_K?: number };
}

/** One day's hours and light. */
export interface DaySky {
  /** Degrees a wet tray is cooler than the air; absent: none. */
  readonly wet_K?: number;
  readonly hours_C: ArrayLike<number>;
  readonly light_mol_m2: number;
}

export interface PlaceSpec {
  readonly id: number;
  readonly name: string;
  readonly room_slots: number;
  /** Days on which nothing may stand there, [from, to). */
  readonly closed: readonly (readonly [number, number])[];
  /** One level for a place that is not set; else coldest first. */
  readonly levels: readonly LevelSpec[];
  /** Level of each block now. */
  readonly row: readonly number[];
}

/** One stage of one crop's way. */
export interface StageSpec {
  readonly name: string;
  /** What a day adds, and what must be gained before the stage may be left. */
  readonly gain: (day_C: number, night_C: number, sky?: DaySky) => number;
  readonly need: number;
  /** Days after entry in which nothing is gained. */
  readonly standstill_days: number;
  readonly least_days: number;
  /** Days it may stay on once it could be left. */
  readonly mostWait_days: number;
  /** Coldest night and warmest day it may have. */
  readonly low_C: number;
  readonly high_C: number;
  /** Highest set-point the place may be set to; null = none. */
  readonly mostSetPoint_C: number | null;
  /** Indexes of the places that will do. */
  readonly places: readonly number[];
  /** Days that bring it to flower before its time; absent: none do. */
  readonly bolt?: BoltSpec;
  /** Nights under and days over these have a price, by kelvin; absent: none. */
  readonly comfort?: { readonly low_C: number; readonly high_C: number };
  /** Days it may take to gain its need before each more has a price, for a plant that only grows old; absent: as many as it takes. */
  readonly fair_days?: number;
}

/** What a day does to bring a crop to flower, as a share of what leaving a tray out costs. */
export interface BoltSpec {
  /** A mean under this is a cold day; null: cold does nothing. */
  readonly cold_C: number | null;
  readonly cold_frac: number;
  /** A highest over this is a warm day; null: warmth does nothing. */
  readonly warm_C: number | null;
  readonly warm_frac: number;
}

/** Share of a tray's price that a day in these temperatures costs. */
export function boltShare_frac(bolt: BoltSpec, day_C: number, night_C: number): number {
  const cold = bolt.cold_C !== null && (day_C + night_C) / 2 < bolt.cold_C ? bolt.cold_frac : 0;
  return cold + (bolt.warm_C !== null && day_C > bolt.warm_C ? bolt.warm_frac : 0);
}

/** Kelvin by which a day lies outside what is comfortable: its night below, its day above. */
export function outsideComfort_K({ comfort }: Pick<StageSpec, 'comfort'>, day_C: number, night_C: number): number {
  return comfort ? Math.max(0, comfort.low_C - night_C) + Math.max(0, day_C - comfort.high_C) : 0;
}

/** A stay that stands whatever is planned: what the grower pinned, or what cannot be helped. */
export interface FixedStay {
  readonly stage: number;
  readonly place: number;
  readonly from: number;
  readonly to: number;
}

export interface BatchSpec {
  readonly id: number;
  readonly name: string;
  /** Indexes of its stages, in order. */
  readonly stages: readonly number[];
  /** Tray slots it takes in each stage. */
  readonly slots: readonly number[];
  /** Trays carried in each move, for the price of moves, and for the price of lateness. */
  readonly trays: number;
  /** Day it should be planted out, and the days before and after that are as good. */
  readonly target: number;
  readonly before_days: number;
  /** Day before which it cannot go out whatever is planned: the weather does not let it. */
  readonly notBefore?: number;
  readonly after_days: number;
  /** How much it matters; 1 is usual. */
  readonly weight: number;
  /** Spread of the day it is ready, over which its price is averaged; absent or 0: the middle counts for all. */
  readonly spread_days?: number;
  /** Minutes of work when each stage is entered, and last when it goes out; absent: none. */
  readonly work_min?: readonly number[];
  /** Day on which its first stage begins whatever is planned: plugs come when they come. */
  readonly startsOn?: number;
  /** Where it is already: position in `stages`, its place, the day it came there (0 or later) and what is left to gain. */
  readonly inProgress?: InProgress;
  /** Pinned: these stays and no others; room is taken even where there is none. */
  readonly pinned?: readonly FixedStay[];
}

export interface InProgress {
  readonly at: number;
  readonly place: number;
  readonly day: number;
  readonly need: number;
  /** Days it stays on once that is gained, as by the rule of so many days after half up. */
  readonly then_days?: number;
}

/** What things cost, in the nursery's money. */
export interface Weights {
  readonly late_perTrayDay: number;
  readonly early_perTrayDay: number;
  readonly wait_perTrayDay: number;
  /** A kelvin outside what is comfortable. */
  readonly discomfort_perTrayKelvin: number;
  /** A day that a stage takes beyond what is fair: no heat is worth a plant that waits cold. */
  readonly ageing_perTrayDay: number;
  readonly move_perTray: number;
  readonly setPointChange: number;
  readonly heat_perkWh: number;
  /** Price of the night's twelve hours as a share of the mean; absent: 1. */
  readonly heatNight_factor?: number;
  readonly unplaced_perTray: number;
  /** An hour of work in a week beyond the hands there are. */
  readonly overtime_perHour: number;
  /** Most days late or early outside its window that a plan may be. */
  readonly mostLate_days: number;
  readonly mostEarly_days: number;
}

/** @source common practice, no source; the nursery's settings replace them */
export const USUAL_WEIGHTS: Weights = {
  late_perTrayDay: 1.5,
  early_perTrayDay: 0.2,
  wait_perTrayDay: 0.1,
  discomfort_perTrayKelvin: 0.1,
  ageing_perTrayDay: 0.5,
  move_perTray: 0.25,
  setPointChange: 2,
  heat_perkWh: 0.3,
  unplaced_perTray: 60,
  overtime_perHour: 15,
  mostLate_days: 21,
  mostEarly_days: 7,
};

/** Price of a tray a day off its date inside the window: a trifle, so that of two ways alike the nearer is taken. */
export const TRIFLE_perTrayDay = 0.01;

/** How many times dearer a day of waiting is in the second half of what a stage may wait: it nears over-age. */
export const NEAR_OVER_AGE = 4;
