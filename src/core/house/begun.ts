import type { World } from './world.ts';

/** Whether a nursery has answered the first questions, or went to work without them. */
export function isBegun({ nursery, places, batches }: Pick<World, 'nursery' | 'places' | 'batches'>): boolean {
  return nursery.demoClock !== null || places.length > 0 || batches.length > 0 || (nursery.byTheSea ?? null) !== null;
}
