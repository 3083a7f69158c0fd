import type { BatchOdds } from '../../core/planting/odds.ts';
import type { SpringsSent } from '../../contracts/planting/springs.ts';
import { startOdds, type OddsClient } from '../../workers/odds.client.ts';
import { readNow } from '../../ui/kit/data.ts';

let client: Promise<OddsClient | null> | null = null;

/** The thread with its springs, started at the first question. */
function started(): Promise<OddsClient | null> {
  client ??= readNow<SpringsSent>('/api/planting/springs').then((answer) =>
    answer.kind === 'done' ? startOdds(answer.value) : null,
  );
  return client;
}

interface Worth {
  readonly safe_K: number;
  readonly warm_K: number;
  readonly soil_K: number;
}

/**
 * Odds of a batch with another date or cover.
 * @param by_days its date later by so much
 * @param cover what it is worth now and with the other, and the day the calendar opens under that; null: as it is
 */
export async function tryOdds(
  batchId: number,
  by_days: number,
  cover: { readonly was: Worth; readonly now: Worth; readonly outFrom: number | null } | null,
): Promise<BatchOdds | null> {
  const c = await started();
  const task = c?.tasks.get(batchId);
  if (!c || !task) return null;
  const [odds] = await c.odds([
    {
      ...task,
      transplantOn: task.transplantOn + by_days,
      lastGoodOn: task.lastGoodOn + by_days,
      ...(cover
        ? {
            cover_K: cover.now.safe_K,
            warm_K: cover.now.warm_K,
            soilMin_C: task.soilMin_C + cover.was.soil_K - cover.now.soil_K,
            outFrom: cover.outFrom,
          }
        : {}),
    },
  ]);
  return odds ?? null;
}
