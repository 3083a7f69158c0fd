import type { BatchPlan } from '../plan/batchPlan.ts';
import type { MilestoneKey } from '../plan/schedule/chain.ts';
import type { BatchEvent } from './event.ts';

export interface BatchRecord {
  readonly id: number;
  readonly version: number;
  readonly code: string;
  /** Letter of the batch among those of its crop and variety. */
  readonly letter: string;
  readonly cropId: number;
  readonly varietyId: number | null;
  readonly lotId: number | null;
  readonly plan: BatchPlan;
  readonly note: string;
  readonly splitFromId: number | null;
  /** Kept where and when it is by the planner. */
  readonly pinned: boolean;
  /** Batches made in one step (a succession, an insurance pair) carry the same number. */
  readonly familyId: number | null;
  /** Season it belongs to. */
  readonly seasonId: number;
  /** The batch it was sown again for. */
  readonly resownFromId: number | null;
  /** Dates planned for it as they stood when it was sown or came; null: not yet, or from before they were kept. */
  readonly planned: Readonly<Partial<Record<MilestoneKey, number>>> | null;
}

/** A line of a batch's log as it is kept, nothing of it left open. */
export interface EventRecord extends Required<BatchEvent> {
  readonly batchId: number;
  /** Person who wrote it; null: nobody said. */
  readonly authorId: number | null;
  readonly recordedAt_ms: number;
  /** When it was tapped, where it waited on a device for a network; null: by a clock not to be trusted. */
  readonly tappedAt_ms?: number | null;
}
