import type { DayNumber } from '../calendar/dayNumber.ts';
import { milestoneOf, type MilestoneKey } from '../plan/schedule/chain.ts';
import type { EventKind, Phase } from './event.ts';
import { effectiveEvents, type BatchState } from './reduce.ts';
import type { BatchEvent } from './event.ts';
import type { Plants } from './plants.ts';
import type { Progress } from './progress.ts';
import { WORDS } from '../../words/en/batch/keptBatch.ts';

/** What is kept of a batch when its season is closed: all its page shows, so that it need never be worked out again. */
export interface KeptBatch {
  readonly name: string;
  readonly cropId: number;
  readonly cropName: string;
  readonly varietyName: string;
  readonly phase: Phase;
  readonly plants: Plants;
  readonly wanted_count: number;
  /** Plants lost, by the cause that was logged. */
  readonly lostBy: Readonly<Record<string, number>>;
  readonly potted_count: number | null;
  readonly endCause: string;
  /** Days of the work: as planned when it was sown, and as it was. */
  readonly days: readonly KeptDay[];
  /** Heat of the places it stood in, by the share of the room it took; null: it stood nowhere heated. */
  readonly heat_kWh: number | null;
  /** Times as long to half up as the library says, by its counts; null: not counted well enough. */
  readonly time_factor: number | null;
  /** Times the book's growth it needed; null: it did not show. */
  readonly growth_factor: number | null;
}

export interface KeptDay {
  readonly key: MilestoneKey;
  readonly planned: DayNumber | null;
  readonly actual: DayNumber | null;
}

/** Milestones in the order of the work, with the facts they come true by. */
const DAYS = ['sow', 'half-up', 'off-heat', 'pot', 'space', 'harden', 'plant'] as const;

export interface ToKeep {
  readonly name: string;
  readonly cropId: number;
  readonly cropName: string;
  readonly varietyName: string;
  readonly events: readonly BatchEvent[];
  readonly state: BatchState;
  readonly progress: Progress;
  readonly wanted_count: number;
  readonly heat_kWh: number | null;
  readonly time_factor: number | null;
  readonly growth_factor: number | null;
}

/** Folds a batch into what is kept of it. */
export function keptBatch({ events, state, progress, ...of }: ToKeep): KeptBatch {
  const kept = effectiveEvents(events);
  const { planned } = progress;
  const potted = kept.filter((event) => event.kind === 'potted');
  return {
    ...of,
    phase: state.phase,
    plants: progress.plants,
    lostBy: lostBy(kept),
    potted_count: potted.length === 0 ? null : sumOf(potted, 'potted'),
    endCause: state.endCause,
    days: DAYS.map((key) => ({
      key: key as MilestoneKey,
      planned: planned.kind === 'chain' ? (milestoneOf(planned, key as MilestoneKey)?.day ?? null) : null,
      actual: state.facts[key] ?? null,
    })).filter(({ planned: plan, actual }) => plan !== null || actual !== null),
  };
}

function sumOf(events: readonly BatchEvent[], kind: EventKind): number {
  return events.reduce((sum, event) => sum + (event.kind === kind ? (event.count ?? 0) : 0), 0);
}

/** Plants lost and thrown out, by cause; without one under "not said". */
function lostBy(events: readonly BatchEvent[]): Record<string, number> {
  const by: Record<string, number> = {};
  const add = (cause: string, count: number) => {
    if (count > 0) by[cause || WORDS.notSaid] = (by[cause || WORDS.notSaid] ?? 0) + count;
  };
  for (const event of events) {
    if (event.kind === 'lost') add(event.cause, event.count ?? 0);
    for (const [cause, count] of Object.entries(event.details?.culled ?? {})) add(cause, count);
  }
  return by;
}
