import type { LoggableKind } from '../../core/batch/event.ts';
import type { JobKind } from '../../core/batch/work.ts';

/** A job as the round shows it. Days are day numbers. */
export interface RoundJob {
  readonly key: string;
  readonly batchId: number;
  readonly code: string;
  readonly name: string;
  readonly kind: JobKind;
  readonly words: string;
  readonly eventKind: LoggableKind;
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
}

export interface RoundPlace {
  readonly id: number;
  readonly name: string;
  readonly day_C: number;
  readonly night_C: number;
  readonly room_trays: number;
  readonly used_slots: number;
  /** Lid and cover of the place today and tonight. */
  readonly orders: readonly string[];
  readonly jobs: readonly RoundJob[];
}

export interface RoundView {
  readonly today: number;
  readonly unit: 'C' | 'F';
  readonly places: readonly RoundPlace[];
  /** The coming week, from tomorrow. */
  readonly ahead: readonly {
    readonly day: number;
    readonly jobs: number;
    readonly trays: number;
  }[];
}
