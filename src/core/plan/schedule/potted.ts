import { grownAtPotting_degreeDays, plugGrowth_degreeDays } from '../../growth/stageNeeds.ts';
import { POTTING_CHECK_DAYS } from '../../growth/stageSums.ts';
import type { BatchPlan } from '../batchPlan.ts';
import type { Crop } from '../../books/crop.ts';
import { milestoneOf, type Chain } from './chain.ts';
import type { Route } from './route.ts';
import { totalAt } from './thermalIntegral.ts';

/**
 * Degree-days that count as grown when a batch is potted at a time: on the heat after half up or before it was bought, and
 * in the cell since. Early potting earns nothing, late potting keeps what was lost in the full cell.
 * @param behind_degreeDays grown before the growing place
 * @param off_t when it came there
 * @param checks how often it was moved into another container before: each time it stood still
 */
export function pottedAt_degreeDays(
  route: Route,
  at: {
    readonly behind_degreeDays: number;
    readonly bought: boolean;
    readonly off_t: number;
    readonly pot_t: number;
    readonly checks: number;
  },
): number {
  const { behind_degreeDays, bought, off_t, pot_t, checks } = at;
  const until_t = Math.max(off_t, pot_t - POTTING_CHECK_DAYS * checks);
  const inCell = Math.max(0, totalAt(route.inGrow, until_t) - totalAt(route.inGrow, off_t));
  return grownAtPotting_degreeDays(route.sums, behind_degreeDays + inCell, bought ? behind_degreeDays : 0);
}

/** The same of a chain that has been worked out. */
export function grownWhenPotted(route: Route, chain: Chain, crop: Crop, plan: BatchPlan, checks: number): number {
  const half = milestoneOf(chain, 'half-up');
  const off_t = (milestoneOf(chain, 'off-heat') ?? milestoneOf(chain, 'arrive'))!.t;
  const behind_degreeDays = plan.joins
    ? plugGrowth_degreeDays(crop, route.sums, plan.joins)
    : Math.max(0, totalAt(route.inHeat, off_t) - totalAt(route.inHeat, half!.t));
  const pot_t = milestoneOf(chain, 'pot')!.t;
  return pottedAt_degreeDays(route, { behind_degreeDays, bought: Boolean(plan.joins), off_t, pot_t, checks });
}
