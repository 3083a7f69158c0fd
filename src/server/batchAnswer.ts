import { isoFromDay } from '../core/calendar/dayNumber.ts';
import type { ChainResult } from '../core/schedule/chain.ts';
import { batchInputOf } from './changeBatches.ts';
import type { BatchView } from './season.ts';

/** A batch as the API tells it: ISO days at the edge. */
export function batchAnswer(view: BatchView) {
  const { batch, state, progress } = view;
  return {
    id: batch.id,
    version: batch.version,
    code: batch.code,
    name: view.name,
    ...batchInputOf(batch),
    phase: state.phase,
    left_count: state.alive_count,
    up_count: state.up_count,
    late_days: progress.late_days,
    planned: chainAnswer(progress.planned),
    forecast: chainAnswer(progress.forecast),
  };
}

/** A chain with ISO days, or what is in its way. */
export function chainAnswer(chain: ChainResult) {
  if (chain.kind === 'unreachable') return chain;
  return chain.milestones.map(({ key, day, dueOn, status, because }) => ({
    key,
    on: isoFromDay(day),
    dueOn: isoFromDay(dueOn),
    status,
    because,
  }));
}
