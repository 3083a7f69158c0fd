import { JUVENILE_frac } from '../../growth/bolting.ts';
import type { BatchPlan } from '../batchPlan.ts';
import type { Crop } from '../../books/crop.ts';
import type { Stage } from '../stage.ts';
import type { BoltSpec } from './instance.ts';

/** A crop that has had as many such days as it takes runs to flower about one time in two. Common practice, no source. */
const FLOWERS_frac = 0.5;

/** Days that bring a crop to flower in a stage: cold once it is past its youth, warm ones from the start. */
export function boltOf(stage: Stage, crop: Crop, plan: BatchPlan): { bolt?: BoltSpec } {
  const { boltCold_C, boltCold_days, boltWarm_C, boltWarm_days } = crop;
  if (stage === 'germinate') return {};
  // Of the growing on a part is youth: a quarter of all growth, which a potted crop has mostly had by its pot.
  const until = plan.potContainerId === null ? 1 : crop.potAt_frac;
  const grown_frac = stage === 'grow' ? Math.max(0, 1 - JUVENILE_frac / until) : 1;
  const cold_frac = boltCold_C === null || boltCold_days === null ? 0 : (FLOWERS_frac * grown_frac) / boltCold_days;
  const warm_frac = boltWarm_C === null || boltWarm_days === null ? 0 : FLOWERS_frac / boltWarm_days;
  if (cold_frac === 0 && warm_frac === 0) return {};
  return { bolt: { cold_C: boltCold_C, cold_frac, warm_C: boltWarm_C, warm_frac } };
}
