import { inUse } from '../../core/books/inUse.ts';
import { effectiveEvents } from '../../core/batch/reduce.ts';
import { containerNow } from '../../core/batch/progress.ts';
import { layersOf } from '../../core/potting/pot.ts';
import { readyOf, type PottingJob } from '../../core/potting/ready.ts';
import { planSession, type SessionLine } from '../../core/potting/session.ts';
import { workedBy, type Mark } from '../../core/potting/timer.ts';
import { placeOfStage } from '../../core/plan/stage.ts';
import { traysFor } from '../../core/batch/trays.ts';
import type {
  OutcomeView,
  SessionLineInput,
  SessionLineView,
  SessionRecord,
  SessionView,
} from '../../contracts/potting/potting.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';
import { pottingBooks, timedOf } from './books.ts';
import { keepOf, plantsThere } from './ready.ts';
import { roomFor } from './room.ts';
import { WORDS } from '../../words/en/potting/view.ts';

/** What a session's potting of a batch came to, by the log as it stands. */
export function outcomeOf(view: BatchView, sessionId: number): OutcomeView | null {
  const event = effectiveEvents(view.events).find((e) => e.details?.sessionId === sessionId);
  const details = event?.details;
  if (!event || !details) return null;
  const { doubled, culled, leftOver, minutes, people } = details;
  const { id: eventId, day, count, correctsId } = event;
  return { eventId, day, potted: count!, doubled, culled, leftOver, minutes, people, corrected: correctsId !== null };
}

/** The kind of work a session does to a batch. */
export function jobFor(season: Season, view: BatchView): PottingJob {
  const { containers } = pottingBooks(season.world);
  const { plan } = view.batch;
  const { potting } = season.world.nursery;
  const ready = readyOf(plan, view.state, view.progress, containers, potting, season.now.today);
  if (ready) return ready.job;
  if (view.state.facts.pot !== undefined) return 'pot-on';
  return plan.potContainerId === null ? 'prick-out' : 'pot';
}

/** The line a batch begins a session with: its own pot, the house's mixes, as many of the best as are worth it. */
export function lineFor(season: Season, view: BatchView): SessionLineInput {
  const { world } = season;
  const { plan } = view.batch;
  const job = jobFor(season, view);
  const standsIn = containerNow(view.state, plan);
  const pots = inUse(world.containers)
    .filter((c) => c.kind === 'pot')
    .sort((a, b) => a.volume_L - b.volume_L);
  const now = world.containers.find((c) => c.id === standsIn)!;
  const larger = pots.find((c) => c.volume_L > now.volume_L)?.id ?? pots.at(-1)?.id;
  const cells = inUse(world.containers)
    .filter((c) => c.kind === 'cell-tray')
    .sort((a, b) => a.cells - b.cells)[0]?.id;
  const containerId =
    job === 'pot-on' ? (larger ?? standsIn) : job === 'prick-out' ? (cells ?? standsIn) : plan.potContainerId!;
  const there = plantsThere(view);
  const { mixId, baseMixId, base_mm } = world.nursery.potting;
  const measured = world.containers.find((c) => c.id === containerId)?.shape != null;
  const layered = job !== 'prick-out' && measured && base_mm > 0 && baseMixId !== null;
  return {
    batchId: view.batch.id,
    containerId,
    plants: Math.max(1, job === 'pot' ? Math.min(there, keepOf(season, view)) : there),
    doubled: 0,
    mixId,
    baseMixId: layered ? baseMixId : null,
    base_mm: layered ? base_mm : 0,
    placeId: job === 'prick-out' ? (plan.places.grow ?? view.state.placeId) : placeOfStage(plan.places, 'pot'),
  };
}

/** A session with all that follows from it. */
export function sessionView(
  season: Season,
  session: SessionRecord,
  marks: ReadonlyMap<number, readonly Mark[]>,
  have: ReadonlyMap<number, number>,
  photos: ReadonlyMap<number, NonNullable<SessionLineView['photo']>>,
  now_ms: number,
): SessionView {
  const { world, now } = season;
  const { containers, recipes, parts } = pottingBooks(world);
  const { potting } = world.nursery;
  const views = new Map(season.batches.map((view) => [view.batch.id, view]));
  const places = new Map(world.places.map((p) => [p.id, p]));
  const toPlan: SessionLine[] = [];
  const lines = session.lines.flatMap((line) => {
    const view = views.get(line.batchId);
    if (!view) return [];
    const { state, batch, progress } = view;
    const outcome = outcomeOf(view, session.id);
    const ready = readyOf(batch.plan, state, progress, containers, potting, now.today);
    const container = containers.get(line.containerId);
    const there = outcome ? outcome.potted : plantsThere(view);
    const spare_days = ready ? ready.harmOn - session.on : 30;
    const from = places.get(state.placeId ?? 0) ?? null;
    const to = places.get(line.placeId ?? 0) ?? null;
    const wrong = outcome ? null : wrongWith(line, view, there, container, season);
    const standing = containers.get(containerNow(state, batch.plan))!;
    if (wrong === null && container)
      toPlan.push({
        batchId: batch.id,
        name: view.name,
        cropId: batch.cropId,
        plants: line.plants,
        container,
        recipe: recipes.get(line.mixId ?? 0) ?? null,
        base: recipes.get(line.baseMixId ?? 0) ?? null,
        base_mm: line.base_mm,
        from: from && { id: from.id, order: from.walkOrder },
        to: to && { id: to.id, order: to.walkOrder },
        traysFrom: traysFor(Math.max(1, there), standing),
        spare_days,
      });
    const shown: SessionLineView = {
      ...line,
      name: view.name,
      code: batch.code,
      job: jobFor(season, view),
      there,
      keep: keepOf(season, view),
      wanted: batch.plan.plantsWanted,
      fromPlace: from?.name ?? null,
      toPlace: to?.name ?? null,
      spare_days,
      planned: null,
      wrong,
      worked: workedBy(marks.get(batch.id) ?? [], now_ms),
      photo: photos.get(batch.id) ?? null,
      outcome,
    };
    return [{ shown, view }];
  });
  const plan = planSession(toPlan, session.people.length, potting, parts, timedOf(world));
  const byBatch = new Map(plan.lines.map((l) => [l.batchId, l]));
  const place = (id: number) => {
    const at = plan.lines.findIndex((l) => l.batchId === id);
    return at < 0 ? Infinity : at;
  };
  const open = lines.filter(({ shown }) => shown.outcome === null && shown.wrong === null);
  const itemOf = (containerId: number) => world.stock.find((s) => s.kind === 'pot' && s.containerId === containerId);
  const { lines: _lines, ...kept } = session;
  return {
    ...kept,
    today: now.today,
    lines: lines
      .map(({ shown }) => ({ ...shown, planned: byBatch.get(shown.batchId) ?? null }))
      .sort((a, b) => place(a.batchId) - place(b.batchId)),
    minutes: plan.minutes,
    setUp_min: plan.setUp_min,
    carry_min: plan.carry_min,
    trips: plan.trips,
    plants: plan.plants,
    labels: plan.labels,
    pots: plan.pots.map((pot) => ({
      ...pot,
      name: containers.get(pot.containerId)!.name,
      have: have.get(itemOf(pot.containerId)?.id ?? 0) ?? null,
    })),
    mixes: plan.mixes.map(({ recipeId, litres }) => {
      const recipe = recipes.get(recipeId)!;
      const words = recipe.parts.map((p) => `${p.parts} ${parts.get(p.itemId)?.name ?? 'gone'}`).join(' : ');
      return { name: world.mixes.find((m) => m.id === recipeId)!.name, litres, recipe: words };
    }),
    parts: plan.parts.map((part) => ({ ...part, have: have.get(part.itemId) ?? null })),
    explanation: plan.explanation,
    room: roomFor(
      season,
      open.flatMap(({ shown, view }) =>
        shown.job === 'prick-out' ? [] : [{ view, line: session.lines.find((l) => l.batchId === shown.batchId)! }],
      ),
      session.on,
    ),
    rest_days: potting.rest_days,
    choices: {
      containers: inUse(world.containers).filter((c) => c.kind !== 'seed-tray'),
      mixes: inUse(world.mixes).map(({ id, name }) => ({ id, name })),
      places: inUse(world.places)
        .filter((p) => p.lit)
        .map(({ id, name }) => ({ id, name })),
      batches: season.batches
        .filter(({ state }) => ['emerged', 'growing', 'potted'].includes(state.phase))
        .map(({ batch, name }) => ({ id: batch.id, name: `${name} ${batch.code}` })),
    },
  };
}

/** What keeps a line from being potted, in words; null when nothing does. */
function wrongWith(
  line: SessionLineInput,
  { state }: BatchView,
  there: number,
  container: Parameters<typeof layersOf>[0] | undefined,
  season: Season,
): string | null {
  if (!container) return WORDS.itsPotIsNoLonger;
  if (!['emerged', 'growing', 'potted'].includes(state.phase))
    return state.phase === 'sown' ? WORDS.nothingIsLoggedAsUp : WORDS.theBatchIs(state.phase);
  if (line.plants > there + line.doubled) return WORDS.onlyAreLeftAndFrom(there, line.doubled);
  if (line.baseMixId !== null && !season.world.mixes.some((m) => m.id === line.baseMixId))
    return WORDS.itsBaseMixIsGone;
  try {
    layersOf(container, line.baseMixId === null ? 0 : line.base_mm);
  } catch (error) {
    if (error instanceof RangeError) return error.message;
    throw error;
  }
  return null;
}
