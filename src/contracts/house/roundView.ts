import type { LoggableKind } from '../../core/batch/event.ts';
import type { JobKind } from '../../core/batch/work.ts';
import type { HalfOfDay } from '../../core/house/houseJob.ts';
import type { LeavingPrice } from '../../core/house/leaving.ts';
import type { PlaceWater } from '../watering/water.ts';
import type { Person } from '../../core/house/people.ts';

/** A job as the round shows it. Days are day numbers. */
export interface RoundJob {
  readonly key: string;
  /** Batch it is done to; null: a job of the house, or a look at a heated place. */
  readonly batchId: number | null;
  readonly code: string;
  readonly name: string;
  readonly kind: JobKind | 'own' | 'heat-look';
  readonly words: string;
  /** What it is logged as in its batch's log; null: in the round's own. */
  readonly eventKind: LoggableKind | null;
  /** Cause that goes with it in the log. */
  readonly cause: string;
  /** Word of the button that logs it as it stands. */
  readonly tap: string;
  readonly dueOn: number;
  readonly late_days: number;
  readonly trays: number;
  readonly count: number | null;
  readonly max_count: number | null;
  readonly countWord: string;
  readonly why: string;
  readonly whyDay: number | null;
  readonly toPlace: string | null;
  readonly placeId: number | null;
  /** Plants expected up in the end; for looking and counting. */
  readonly expected_count: number | null;
  readonly sown_count: number | null;
  /** Half of the day it belongs to; null: either. */
  readonly half: HalfOfDay | null;
  readonly minutes: number;
  /** What the minutes rest on. */
  readonly minutesWords: string;
  /** What leaving it until tomorrow costs, in figures, in words, and as one figure to choose by. */
  readonly leaving: LeavingPrice;
  readonly leavingWords: string;
  readonly weight: number;
  /** Person who has it; null: nobody. */
  readonly holder: number | null;
}

/** What somebody has done today. */
export interface RoundDone {
  readonly key: string;
  readonly words: string;
  readonly placeId: number | null;
  /** Who wrote it; null: nobody said. */
  readonly by: number | null;
}

export interface RoundPlace {
  readonly id: number;
  readonly name: string;
  readonly door: string;
  readonly level: number;
  readonly x_m: number | null;
  readonly y_m: number | null;
  readonly day_C: number;
  readonly night_C: number;
  readonly room_trays: number;
  readonly used_slots: number;
  /** Lid and cover of the place by the half of the day in which they are seen to. */
  readonly orders: readonly { readonly half: HalfOfDay; readonly words: string }[];
  readonly jobs: readonly RoundJob[];
  /** Water of what stands there; null: nothing in trays. */
  readonly water: PlaceWater | null;
}

export interface RoundView {
  readonly today: number;
  /** Minutes since midnight in the nursery's place. */
  readonly minute: number;
  readonly unit: 'C' | 'F';
  readonly places: readonly RoundPlace[];
  readonly done: readonly RoundDone[];
  /** People of the house who are still here. */
  readonly people: readonly Person[];
  /** The coming week, from tomorrow. */
  readonly ahead: readonly {
    readonly day: number;
    readonly jobs: number;
    readonly trays: number;
    /** With water. */
    readonly minutes: number;
    readonly water_min: number;
  }[];
}
