import type { BatchPlan } from '../plan/batchPlan.ts';
import type { MilestoneKey } from '../plan/schedule/chain.ts';
import type { EventKind, SplitSnapshot, PottingDetails, PlantingDetails } from './event.ts';

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

export interface EventRecord {
  readonly id: number;
  readonly batchId: number;
  readonly kind: EventKind;
  readonly day: number;
  readonly count: number | null;
  readonly placeId: number | null;
  readonly note: string;
  readonly cause: string;
  readonly correctsId: number | null;
  readonly snapshot: SplitSnapshot | null;
  /** Tray counted by itself, 1 up; null = the whole batch. */
  readonly tray: number | null;
  readonly details: PottingDetails | null;
  readonly planting: PlantingDetails | null;
  /** Person who wrote it; null: nobody said. */
  readonly authorId: number | null;
  readonly recordedAt_ms: number;
}
