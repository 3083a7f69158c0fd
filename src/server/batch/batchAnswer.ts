import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { Plants } from '../../core/batch/plants.ts';
import type { Progress } from '../../core/batch/progress.ts';
import type { ChainResult } from '../../core/plan/schedule/chain.ts';
import { batchInputOf } from './batchInput.ts';
import type { BatchView } from '../../core/plan/season.ts';

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
    plants: plantsAnswer(view.plants),
    up_count: state.up_count,
    /** Most plants it can still have. */
    most_count: state.alive_count,
    late_days: progress.late_days,
    expected_out: outAnswer(view.progress),
    fault: view.fault,
    planned: chainAnswer(progress.planned),
    forecast: chainAnswer(progress.forecast),
  };
}

/** The plants of a batch, with the day they rest on. */
function plantsAnswer({ on, ...plants }: Plants) {
  return { ...plants, on: on === null ? null : isoFromDay(on) };
}

/** When a batch is expected out: plants, ladder and gates together. */
function outAnswer({ out }: Progress) {
  if (out === null) return null;
  const iso = (day: number | null) => (day === null ? null : isoFromDay(day));
  return { on: iso(out.on), p90: iso(out.p90), by: out.by, inTime_frac: out.inTime_frac };
}

/** A chain with ISO days, or what is in its way. */
export function chainAnswer(chain: ChainResult) {
  if (chain.kind === 'unreachable') return chain;
  return chain.milestones.map(({ key, day, dueOn, status, explanation }) => ({
    key,
    on: isoFromDay(day),
    dueOn: isoFromDay(dueOn),
    status,
    explanation,
  }));
}
