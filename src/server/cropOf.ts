import { cropOfBatch } from '../core/varietyFigures.ts';
import type { BatchRecord, CropRecord } from '../contracts/records.ts';
import type { World } from '../db/world.ts';

type Of = Pick<BatchRecord, 'cropId' | 'varietyId'>;

/** The crop of a batch as plans go by it: its variety's own figures, and the house's own times to come up. */
export function cropOf(
  season: { readonly crops: readonly CropRecord[]; readonly world: World },
  batch: Of,
): CropRecord {
  return cropOfBatch({ crops: season.crops, varieties: season.world.varieties }, batch);
}

/** The crop of a batch by the books alone: its variety's own figures, nothing learned. */
export function plainCropOf(world: World, batch: Of): CropRecord {
  return cropOfBatch({ crops: world.crops, varieties: world.varieties }, batch);
}
