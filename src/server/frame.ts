import { temperatureOn } from '../core/schedule/placeClimate.ts';
import type { Season } from './season.ts';

/** Counts on the knots of the journey. */
export interface JourneyCounts {
  readonly round: number;
  readonly season: number;
  readonly sow: number;
  readonly pot: number;
  readonly harden: number;
  readonly plant: number;
}

const WEEK = 7;
export const STEP_JOBS = {
  sow: ['sow'],
  pot: ['pot', 'space'],
  harden: ['harden', 'rung'],
  'plant-out': ['plant'],
} as const;

/** What the frame of every page tells: waiting work, lateness, the usual weather outside. */
export function frameOf(season: Season) {
  const { batches, now, world, tables } = season;
  const soon = (kinds: readonly string[]) =>
    batches.flatMap((b) => b.work).filter((job) => kinds.includes(job.kind) && job.dueOn <= now.today + WEEK).length;
  const counts: JourneyCounts = {
    round: batches.reduce((sum, b) => sum + b.round.length, 0),
    season: batches.filter(inTrouble).length,
    sow: soon(STEP_JOBS.sow),
    pot: soon(STEP_JOBS.pot),
    harden: soon(STEP_JOBS.harden),
    plant: soon(STEP_JOBS['plant-out']),
  };
  const ground = world.places.filter((p) => p.kind === 'ground')[0];
  const late = batches.flatMap((b) => b.round).filter((job) => job.kind !== 'look' && job.dueOn < now.today).length;
  return {
    counts,
    late,
    outside: ground ? temperatureOn(tables.climateOf(ground.id), now.today) : null,
  };
}

/** Whether a batch will be late or cannot be reached. */
export function inTrouble(view: Season['batches'][number]): boolean {
  if (view.state.phase === 'planted' || view.state.phase === 'ended') return false;
  return view.progress.forecast.kind !== 'chain' || view.progress.late_days! > 1;
}
