import { expose } from 'comlink';
import type { PlanAnswer, PlanReport, PlanRequest } from '../contracts/plan/planner.ts';
import { placeBatch } from './placeBatch.ts';
import { offersFor } from './seasonOffers.ts';
import { makeRoom, planSeason, type Choose } from './seasonPlanner.ts';
import { tightSpots } from './tightSpots.ts';

/** Runs in its own thread; thrown away after a plan, which is also how a plan is cancelled. */
const planner = {
  async plan(request: PlanRequest, onReport: (report: PlanReport) => void): Promise<PlanAnswer> {
    const choose = request.look === 'harder' ? await exactChoice() : null;
    const run = planSeason(request, choose);
    for (;;) {
      const { done, value } = run.next();
      if (done === true) return value;
      onReport(value);
      // Lets the report out before the next stretch.
      await new Promise((resolve) => setTimeout(resolve, 0));
    }
  },
  offersFor,
  makeRoom,
  placeBatch,
  tightSpots,
};

export type Planner = typeof planner;

/** The exact solver is large and fetched only when it is asked for. */
async function exactChoice(): Promise<Choose> {
  const [{ default: loadHighs }, { default: wasmUrl }, { solvePool }] = await Promise.all([
    import('highs'),
    import('highs/runtime?url'),
    import('./solvePool.ts'),
  ]);
  const highs = await loadHighs({ locateFile: () => wasmUrl });
  return (pool, state, free, seconds) => {
    const answer = solvePool(highs, pool, state, free, seconds);
    const gap_frac = answer.bound === null || answer.cost <= 0 ? null : Math.max(0, 1 - answer.bound / answer.cost);
    return { kind: answer.kind, plans_count: answer.plans_count, gap_frac: answer.kind === 'proven' ? 0 : gap_frac };
  };
}

expose(planner);
