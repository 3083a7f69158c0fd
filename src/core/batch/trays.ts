import { requireRange } from '../numerics/guard.ts';
import type { BatchPlan } from '../plan/batchPlan.ts';
import type { Container } from '../books/container.ts';
import { WORDS } from '../../words/en/batch/trays.ts';

/** Cells sown for the plants wanted with the batch's spare share, whole cells, at least one per plant. */
export function cellsToSow(plan: Pick<BatchPlan, 'plantsWanted' | 'spare_frac'>): number {
  requireRange(WORDS.plantsWanted, plan.plantsWanted, 1, 1_000_000);
  // Rounded at 1e-9 so that 100 x 1.1 asks for 110 cells, not 111.
  return Math.ceil(plan.plantsWanted * (1 + plan.spare_frac) - 1e-9);
}

/** Whole trays (or carrying trays of pots) that hold so many plants. */
export function traysFor(plants: number, container: Pick<Container, 'cells' | 'perCarryingTray' | 'kind'>): number {
  const each = container.kind === 'pot' ? container.perCarryingTray : container.cells;
  requireRange(WORDS.plantsPerTray, each, 1, 10_000);
  return Math.ceil(plants / each);
}

/**
 * Tray slots so many plants take in a container; spaced plants take twice the room.
 * @example slotsFor(70, {kind: 'pot', cells: 1, perCarryingTray: 35, footprint_slots: 1}, true) // 4
 */
export function slotsFor(
  plants: number,
  container: Pick<Container, 'cells' | 'perCarryingTray' | 'kind' | 'footprint_slots'>,
  spaced: boolean,
): number {
  return traysFor(plants, container) * container.footprint_slots * (spaced ? 2 : 1);
}
