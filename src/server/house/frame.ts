import { inUse } from '../../core/books/inUse.ts';
import { isOver } from '../../core/batch/event.ts';
import { isTrouble, punctuality } from '../../core/batch/tolerance.ts';
import type { JobKind } from '../../core/batch/work.ts';
import { temperatureOn } from '../../core/plan/schedule/placeClimate.ts';
import { flagsOf } from '../../core/weather/forecast.ts';
import { roundCount } from './roundJobs.ts';
import type { Season } from '../../core/plan/season.ts';

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
/** Knot of the journey on which the coming work of a kind is counted. */
const STEP_OF: Readonly<Partial<Record<JobKind, 'sow' | 'pot'>>> = {
  sow: 'sow',
  pot: 'pot',
  water: 'pot',
  space: 'pot',
};

/** What the frame of every page tells: waiting work, lateness, the usual weather outside. */
export function frameOf(season: Season) {
  const { batches, now, world, tables } = season;
  const soon = { sow: 0, pot: 0 };
  let harden = 0;
  let plant = 0;
  const round = roundCount(season);
  for (const view of batches) {
    harden += view.round.filter((job) => job.kind === 'harden' || job.kind === 'rung').length;
    plant += view.work.filter((job) => job.kind === 'plant' && job.dueOn <= now.today + WEEK).length;
    for (const job of view.work) {
      const step = STEP_OF[job.kind];
      if (step && job.dueOn <= now.today + WEEK) soon[step]++;
    }
  }
  const counts: JourneyCounts = {
    round: round.jobs,
    season: batches.filter(inTrouble).length,
    sow: soon.sow,
    pot: soon.pot,
    harden,
    plant,
  };
  const ground = inUse(world.places).filter((p) => p.kind === 'ground')[0];
  return {
    counts,
    late: round.late,
    sky: skyFrame(season),
    outside: ground ? temperatureOn(tables.climateOf(ground.id), now.today) : null,
  };
}

/** Whether a batch will be late or cannot be reached. */
export function inTrouble(view: Season['batches'][number]): boolean {
  if (isOver(view.state.phase)) return view.fault !== null;
  return isTrouble(punctuality(view.progress, view.batch.plan));
}

/** What the sky strip tells of the forecast. null: none. */
function skyFrame({ site, now }: Season) {
  const days = site?.forecast?.days ?? [];
  const today = days.find((d) => d.day === now.today);
  if (!site?.forecast || !today) return null;
  const flagged = days.map((d) => ({ day: d.day, flags: flagsOf(d) }));
  const hour = site.forecast.hours.find((h) => h.day === now.today && h.hour === Math.floor(now.minute / 60));
  return {
    night_C: today.night_C,
    gust_m_s: today.gust_m_s,
    now_C: hour?.temp_C ?? null,
    frost: flagged.find((d) => d.flags.includes('frost'))?.day ?? null,
    gale: flagged.find((d) => d.flags.includes('gale'))?.day ?? null,
    today: flagged[0]!.flags,
    stale: site.forecast.stale,
  };
}
