import { cropOfBatch } from './varietyFigures.ts';
import type { BatchRecord } from '../batch/record.ts';
import type { CropRecord, VarietyRecord } from './records.ts';
import type { World } from '../house/world.ts';

type Of = Pick<BatchRecord, 'cropId' | 'varietyId'>;

/** Crops and varieties as plans go by them. */
interface ToPlanBy {
  readonly crops: readonly CropRecord[];
  readonly varieties: readonly VarietyRecord[];
}

/** The crop of a batch as plans go by it: its variety's own figures, and the house's own times to come up. */
export function cropOf(season: ToPlanBy, batch: Of): CropRecord {
  return cropOfBatch(season, batch);
}

/** The crop of a batch by the books alone: its variety's own figures, nothing learned. */
export function plainCropOf(world: World, batch: Of): CropRecord {
  return cropOfBatch({ crops: world.crops, varieties: world.varieties }, batch);
}
