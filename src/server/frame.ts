import type { JobKind } from '../core/round/work.ts';
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
  pot: ['pot', 'water', 'space'],
  harden: ['harden', 'rung'],
  'plant-out': ['plant'],
} as const;

const STEP_OF: Readonly<Partial<Record<JobKind, keyof typeof STEP_JOBS>>> = {
  sow: 'sow',
  pot: 'pot',
  water: 'pot',
  space: 'pot',
  harden: 'harden',
  rung: 'harden',
  plant: 'plant-out',
};

/** What the frame of every page tells: waiting work, lateness, the usual weather outside. */
export function frameOf(season: Season) {
  const { batches, now, world, tables } = season;
  const soon = { sow: 0, pot: 0, harden: 0, 'plant-out': 0 };
  let round = 0;
  let late = 0;
  for (const view of batches) {
    round += view.round.length;
    late += view.round.filter((job) => job.kind !== 'look' && job.dueOn < now.today).length;
    for (const job of view.work) {
      const step = STEP_OF[job.kind];
      if (step && job.dueOn <= now.today + WEEK) soon[step]++;
    }
  }
  const counts: JourneyCounts = {
    round,
    season: batches.filter(inTrouble).length,
    sow: soon.sow,
    pot: soon.pot,
    harden: soon.harden,
    plant: soon['plant-out'],
  };
  const ground = world.places.filter((p) => p.kind === 'ground')[0];
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
