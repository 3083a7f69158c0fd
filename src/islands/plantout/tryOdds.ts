import type { BatchOdds } from '../../core/planting/odds.ts';
import type { SpringsSent } from '../../contracts/springs.ts';
import { startOdds, type OddsClient } from '../../workers/odds.client.ts';
import { call } from '../../ui/call.ts';

let client: Promise<OddsClient | null> | null = null;

/** The thread with its springs, started at the first question. */
function started(): Promise<OddsClient | null> {
  client ??= call<SpringsSent>('GET', '/api/planting/springs').then((answer) =>
    answer.kind === 'done' ? startOdds(answer.value) : null,
  );
  return client;
}

/**
 * Odds of a batch with another date or cover.
 * @param by_days its date later by so much
 * @param cover_K what the other cover is safely worth, and the day the calendar opens under it; null: as it is
 */
export async function tryOdds(
  batchId: number,
  tried: { readonly by_days: number; readonly cover_K: number | null; readonly outFrom?: number | null | undefined },
): Promise<BatchOdds | null> {
  const c = await started();
  const task = c?.tasks.get(batchId);
  if (!c || !task) return null;
  const [odds] = await c.odds([
    {
      ...task,
      transplantOn: task.transplantOn + tried.by_days,
      lastGoodOn: task.lastGoodOn + tried.by_days,
      ...(tried.cover_K === null ? {} : { cover_K: tried.cover_K, outFrom: tried.outFrom ?? null }),
    },
  ]);
  return odds ?? null;
}
