import type { PottingDetails } from '../batch/event.ts';
import type { DayNumber } from '../calendar/dayNumber.ts';

/** What a batch taught of coming up or growing, as it was kept. */
export interface KeptEstimate {
  /** Below 0: a tray of years before, read from a file. */
  readonly batchId: number;
  readonly taught: 'emergence' | 'growth';
  /** Last line of the log it rests on. */
  readonly logId: number;
  readonly cropId: number;
  readonly varietyId: number | null;
  readonly lotId: number | null;
  readonly placeId: number | null;
  readonly estimate: Readonly<Record<string, number | null>>;
  /** When it was kept: one that was not kept again is the same object as before. */
  readonly keptAt: string;
}

/** What seasons that are no longer worked out have left, and what was kept of open ones. */
export interface Kept {
  /** Moves when any of it does. */
  readonly mark: string;
  readonly estimates: readonly KeptEstimate[];
  /** Timed pottings of closed seasons, the oldest first. */
  readonly pottings: readonly KeptPotting[];
}

export interface KeptPotting {
  readonly cropId: number;
  readonly day: DayNumber;
  readonly count: number;
  readonly details: PottingDetails;
}
