import { plantsByWords } from '../../core/batch/plants.ts';
import { punctuality } from '../../core/batch/tolerance.ts';
import { ruleOfWeeksSowDay } from '../../core/plan/schedule/ruleOfWeeks.ts';
import { tappedWords } from './ledger.ts';
import type { BatchPageData } from '../../contracts/batch/batchPage.ts';
import type { Season } from '../../core/plan/season.ts';

/** All that the page of a batch shows; null when there is no such batch. */
export function batchPageData(season: Season, id: string): BatchPageData | null {
  const view = season.batches.find((b) => String(b.batch.id) === id);
  if (!view) return null;
  const { batch, state, progress } = view;
  const { world, now } = season;
  const crop = world.crops.find((c) => c.id === batch.cropId)!;
  const parent = world.batches.find((b) => b.id === batch.splitFromId);
  return {
    id: batch.id,
    version: batch.version,
    code: batch.code,
    name: view.name,
    note: batch.note,
    plan: batch.plan,
    phase: state.phase,
    plants: view.plants,
    plantsWords: plantsByWords(view.plants),
    most_count: state.alive_count ?? view.plants.sown_count,
    out: progress.out,
    punctuality: punctuality(progress, batch.plan),
    fault: view.fault,
    planned: progress.planned,
    forecast: progress.forecast,
    late_days: progress.late_days,
    ruleSowOn: ruleOfWeeksSowDay(crop, batch.plan),
    events: view.events,
    tapped: Object.fromEntries(
      view.events
        .filter(({ tappedAt_ms }) => tappedAt_ms !== undefined)
        .map((event) => [event.id, tappedWords(event, world.nursery.timeZone)]),
    ),
    places: world.places.map(({ id: placeId, name, retiredOn }) => ({ id: placeId, name, retiredOn })),
    people: world.people,
    seasonId: batch.seasonId,
    seasons: world.seasons.filter((one) => one.closedAt_ms === null).map(({ id: of, name }) => ({ id: of, name })),
    placeNow: world.places.find((p) => p.id === state.placeId)?.name ?? null,
    splitFrom: parent ? { id: parent.id, code: parent.code } : null,
    today: now.today,
    unit: world.nursery.temperatureUnit,
  };
}
