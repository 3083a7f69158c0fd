import type { BatchRecord, EventRecord } from '../batch/record.ts';
import type { ContainerRecord, CropRecord, LotRecord, PlaceRecord, VarietyRecord } from '../books/records.ts';
import type { CoverRecord, ProgrammeRecord } from '../hardening/records.ts';
import type { FeedRecord, MixRecord, StockItemRecord } from '../potting/records.ts';
import type { Kept } from './kept.ts';
import type { HouseJobRecord } from './houseJob.ts';
import type { RoundLine } from './roundLine.ts';
import type { NurseryRecord, PersonRecord } from './nursery.ts';
import type { WaterLine } from '../watering/waterLine.ts';
import type { ScaleRecord } from '../watering/scale.ts';
import type { SeasonRecord } from './seasonRecord.ts';

/** Everything the nursery has written down, as one consistent picture. */
export interface World {
  readonly revision: string;
  /** Move with every write to the books, and to the plans of batches. */
  readonly booksMark: string;
  readonly batchesMark: string;
  readonly nursery: NurseryRecord;
  readonly feedKey: string;
  readonly crops: readonly CropRecord[];
  readonly varieties: readonly VarietyRecord[];
  readonly lots: readonly LotRecord[];
  readonly places: readonly PlaceRecord[];
  readonly containers: readonly ContainerRecord[];
  readonly mixes: readonly MixRecord[];
  readonly feeds: readonly FeedRecord[];
  readonly stock: readonly StockItemRecord[];
  readonly covers: readonly CoverRecord[];
  readonly programmes: readonly ProgrammeRecord[];
  /** People of the house by name, those who left as well. */
  readonly people: readonly PersonRecord[];
  /** Scales under trays, those retired as well. */
  readonly scales: readonly ScaleRecord[];
  /** The house's own jobs, those retired as well; and what is written of the round beside the logs, in the order written. */
  readonly houseJobs: readonly HouseJobRecord[];
  readonly roundLines: readonly RoundLine[];
  /** What is written of water, in the order written: the last two months of it. */
  readonly waterLines: readonly WaterLine[];
  /** All seasons, the first to begin first. */
  readonly seasons: readonly SeasonRecord[];
  /** What was kept of batches, those of closed seasons among them. */
  readonly kept: Kept;
  /** Batches of the open seasons; none that was voided. */
  readonly batches: readonly BatchRecord[];
  /** By batch id, in the order written. */
  readonly events: ReadonlyMap<number, readonly EventRecord[]>;
}
