import { cropOf } from '../../core/books/cropOf.ts';
import { batchProgress, containerNow, type Progress } from '../../core/batch/progress.ts';
import type { Sign } from '../../core/batch/event.ts';
import type { BatchPlan } from '../../core/plan/batchPlan.ts';
import { keepFor } from '../../core/potting/keep.ts';
import { POTTING_WORDS, readyOf, type PottingJob, type Ready } from '../../core/potting/ready.ts';
import { slotsFor, traysFor } from '../../core/batch/trays.ts';
import { milestoneOf } from '../../core/plan/schedule/chain.ts';
import type { ReadyLine, SessionRecord, Waiting } from '../../contracts/potting/potting.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';
import { pottingBooks } from './books.ts';

const WAIT_days = 7;
/** Signs worth a tap for each kind of work. */
const SIGNS_FOR: Readonly<Record<PottingJob, readonly Sign[]>> = {
  'prick-out': ['true-leaves', 'touching', 'not-yet'],
  pot: ['roots', 'touching', 'leaves', 'not-yet'],
  'pot-on': ['roots', 'touching', 'not-yet'],
};
const RANK = { urgent: 0, now: 1, soon: 2, later: 3 } as const;

/** Plants of a batch that can be set into pots. */
export function plantsThere({ plants }: BatchView): number {
  return plants.expected_count;
}

/** How many of the best are worth a pot. */
export function keepOf(season: Season, view: BatchView): number {
  const { loss_frac, confidence } = season.world.nursery.potting;
  return keepFor(view.batch.plan.plantsWanted, loss_frac, confidence);
}

/** How a batch would go on with another plan. */
export function progressWith(season: Season, view: BatchView, plan: BatchPlan): Progress {
  const { world, tables, now } = season;
  return batchProgress({
    crop: cropOf(season, view.batch),
    plan,
    state: view.state,
    offHeat: world.nursery.offHeat,
    tables,
    containers: pottingBooks(world).containers,
    today: now.today,
    coming_frac: view.coming_frac,
    weather: view.weather,
  });
}

/** Days late a progress ends, or null when it cannot be worked out. */
const lateOf = (progress: Progress): number | null => progress.late_days;

/** What lateness and standing about cost by the house's own prices. */
export function priceOfDelay(
  season: Season,
  trays: number,
  late: number,
  lateAsIs: number,
  waits_days: number,
): number {
  const { late_perTrayDay, wait_perTrayDay } = season.world.nursery.weights;
  const later = Math.max(0, late) - Math.max(0, lateAsIs);
  return trays * (late_perTrayDay * later + wait_perTrayDay * waits_days);
}

/** What a week's waiting costs from the day it is ready. */
function waitingOf(season: Season, view: BatchView, trays: number, { readyOn, harmOn }: Ready): Waiting | null {
  const { plan } = view.batch;
  const from = Math.max(season.now.today, readyOn);
  const lateAt = (pot: number) => lateOf(progressWith(season, view, { ...plan, steps: { ...plan.steps, pot } }));
  const [now, later] = [lateAt(from), lateAt(from + WAIT_days)];
  if (now === null || later === null) return null;
  return {
    later_days: later - now,
    checked_count: from + WAIT_days >= harmOn ? plantsThere(view) : 0,
    price: priceOfDelay(season, trays, later, now, WAIT_days),
  };
}

/** Batches ready to be pricked out, potted or potted on, and those that soon will be; the most urgent first. */
export function readyList(season: Season, sessions: readonly SessionRecord[]): ReadyLine[] {
  const { world, now } = season;
  const { containers } = pottingBooks(world);
  const placeNames = new Map(world.places.map((p) => [p.id, p.name]));
  const inSession = new Map(sessions.filter((s) => !s.closed).flatMap((s) => s.lines.map((l) => [l.batchId, s.id])));
  return season.batches
    .flatMap((view): ReadyLine[] => {
      const { state, batch, progress } = view;
      const ready = readyOf(batch.plan, state, progress, containers, world.nursery.potting, now.today);
      if (!ready || (ready.says === 'later' && ready.readyOn > now.today + 21)) return [];
      const plants = plantsThere(view);
      if (plants < 1) return [];
      const container = containers.get(containerNow(state, batch.plan))!;
      const pot = batch.plan.potContainerId === null ? null : containers.get(batch.plan.potContainerId)!;
      const keep = Math.min(plants, keepOf(season, view));
      const trays = traysFor(plants, container);
      return [
        {
          ...ready,
          batchId: batch.id,
          code: batch.code,
          name: view.name,
          plants,
          jobWords: POTTING_WORDS[ready.job],
          signs: SIGNS_FOR[ready.job],
          container: container.name,
          place: placeNames.get(state.placeId ?? 0) ?? null,
          trays,
          slots: [
            slotsFor(plants, container, false),
            pot ? slotsFor(keep, pot, false) : 0,
            pot ? slotsFor(keep, pot, true) : 0,
          ],
          pot: pot?.name ?? null,
          waiting: ready.job === 'pot' && ready.says !== 'later' ? waitingOf(season, view, trays, ready) : null,
          inSession: inSession.get(batch.id) ?? null,
        },
      ];
    })
    .sort((a, b) => RANK[a.says] - RANK[b.says] || a.harmOn - b.harmOn || a.batchId - b.batchId);
}

/** Day a batch is due in its pot by the forecast; null when none lies ahead. */
export function potDay(view: BatchView): number | null {
  const { forecast } = view.progress;
  return view.state.facts.pot === undefined && forecast.kind === 'chain'
    ? (milestoneOf(forecast, 'pot')?.day ?? null)
    : null;
}
