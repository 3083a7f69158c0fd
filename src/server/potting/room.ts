import { inUse } from '../../core/books/inUse.ts';
import { cropOf } from '../../core/books/cropOf.ts';
import { containerNow, type Progress, type Stand } from '../../core/batch/progress.ts';
import type { BatchPlan } from '../../core/plan/batchPlan.ts';
import { overRoom, roomUsed } from '../../core/plan/schedule/roomUse.ts';
import { placesForStage } from '../../core/plan/schedule/suits.ts';
import { slotsFor, traysFor } from '../../core/batch/trays.ts';
import type { RoomLine, RoomOffer, SessionLineInput } from '../../contracts/potting/potting.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';
import { priceOfDelay, progressWith } from './ready.ts';

const AHEAD_days = 70;
const LATER_days = 14;
const MOST_OFFERS = 3;

interface Standing {
  readonly view: BatchView;
  readonly line: SessionLineInput;
  readonly plan: BatchPlan;
  readonly progress: Progress;
  /** From the day of the session on. */
  readonly stands: readonly Stand[];
}

/** A batch as it would go on when it is potted on a day into a place. */
function potted(season: Season, view: BatchView, line: SessionLineInput, on: number, placeId: number | null): Standing {
  const { plan } = view.batch;
  const places = placeId === null ? plan.places : { ...plan.places, pot: placeId, space: null };
  const asked: BatchPlan = { ...plan, places, potContainerId: line.containerId };
  // As if it were logged on that day: a session goes before the forecast.
  const { state } = view;
  const move = { containerId: line.containerId, day: on, count: line.plants, last: true };
  const stays = placeId === null ? state.stays : [...state.stays, { placeId, from: on }];
  const there: BatchView = {
    ...view,
    state: {
      ...state,
      phase: 'potted',
      alive_count: line.plants,
      up_count: line.plants,
      facts: { ...state.facts, pot: on },
      moves: [...state.moves, move],
      stays,
      placeId: placeId ?? state.placeId,
      lastDay: on,
    },
  };
  const progress = progressWith(season, there, asked);
  return { view, line, plan: asked, progress, stands: progress.stands.filter((s) => s.to > on) };
}

/**
 * Room on the benches on the day of a session: before, after, and once the pots are spaced out; where it does not fit, what
 * stands there and could go, and the cheapest other places or days for what is potted.
 */
export function roomFor(
  season: Season,
  lines: readonly { readonly view: BatchView; readonly line: SessionLineInput }[],
  on: number,
): RoomLine[] {
  const { world, batches } = season;
  const mine = new Set(lines.map(({ view }) => view.batch.id));
  const others = batches
    .filter((view) => view.state.phase !== 'ended' && !mine.has(view.batch.id))
    .flatMap((view) => view.progress.stands.map((stand) => ({ ...stand, view })));
  const standing = lines.map(({ view, line }) => potted(season, view, line, on, line.placeId));
  const stands = standing.flatMap((s) => s.stands);
  const usedBy = (list: readonly Pick<Stand, 'placeId' | 'from' | 'to' | 'slots'>[]) => roomUsed(list, on, AHEAD_days);
  const othersUse = usedBy(others);
  const all = usedBy([...others, ...stands]);
  // Before: what the others take on the day, and the trays to be potted where they stand now.
  const trays = lines.flatMap(({ view: { state, batch, plants } }) => {
    const container = world.containers.find((c) => c.id === containerNow(state, batch.plan));
    if (!container || state.placeId === null) return [];
    const slots = slotsFor(Math.max(1, plants.sown_count), container, false);
    return [{ placeId: state.placeId, from: on, to: on + 1, slots }];
  });
  const before = usedBy([...others, ...trays]);
  const touched = new Set(stands.map((s) => s.placeId));
  const over = overRoom([...others, ...stands], world.places, on, AHEAD_days);
  return inUse(world.places)
    .filter((place) => touched.has(place.id))
    .map((place): RoomLine => {
      const here = stands.filter((s) => s.placeId === place.id);
      const [first, last] = [Math.min(...here.map((s) => s.from)), Math.max(...here.map((s) => s.to))];
      const run = over.find((r) => r.placeId === place.id && r.from < last && r.to > first) ?? null;
      const use = all.get(place.id)!;
      return {
        placeId: place.id,
        name: place.name,
        room: place.room_trays,
        before: before.get(place.id)?.[0] ?? 0,
        after: use[0]!,
        spaced: Math.max(...use.slice(0, Math.min(AHEAD_days, last - on))),
        over: run && { from: run.from, to: run.to, most: run.most_slots },
        couldGo: run
          ? others
              .filter((s) => s.placeId === place.id && s.from <= run.from && s.to > run.from && s.to < run.to)
              .sort((a, b) => a.to - b.to)
              .slice(0, 4)
              .map((s) => ({
                batchId: s.view.batch.id,
                name: s.view.name,
                slots: s.slots,
                on: s.to,
                to: nameOf(season, s.view.progress.stands.find((next) => next.from === s.to)?.placeId),
              }))
          : [],
        offers: run
          ? standing
              .filter((s) => s.stands.some((stand) => stand.placeId === place.id))
              .flatMap((s) =>
                offersFor(
                  season,
                  s,
                  place.id,
                  on,
                  othersUse,
                  usedBy(standing.filter((o) => o !== s).flatMap((o) => o.stands)),
                ),
              )
              .sort((a, b) => a.price - b.price)
              .slice(0, MOST_OFFERS)
          : [],
      };
    });
}

type Use = ReadonlyMap<number, Float64Array>;

/** Other places on the day, and later days in the same place, where a batch fits from then on. */
function offersFor(
  season: Season,
  asIs: Standing,
  notPlace: number,
  on: number,
  othersUse: Use,
  sessionUse: Use,
): RoomOffer[] {
  const { world, tables } = season;
  const { view, line } = asIs;
  const crop = cropOf(season, view.batch);
  const container = world.containers.find((c) => c.id === line.containerId)!;
  const trays = traysFor(line.plants, container);
  const lateAsIs = asIs.progress.late_days ?? 0;
  const fits = (stands: readonly Stand[]) =>
    stands.every((s) => {
      const room = world.places.find((p) => p.id === s.placeId)?.room_trays ?? 0;
      for (let day = Math.max(on, s.from); day < Math.min(s.to, on + AHEAD_days); day++) {
        const used = (othersUse.get(s.placeId)?.[day - on] ?? 0) + (sessionUse.get(s.placeId)?.[day - on] ?? 0);
        if (used + s.slots > room) return false;
      }
      return true;
    });
  const offer = (kind: RoomOffer['kind'], placeId: number | null, day: number): RoomOffer | null => {
    const there = potted(season, view, line, day, placeId);
    const late = there.progress.late_days;
    if (late === null || !fits(there.stands.filter((s) => s.stage === 'pot' || s.stage === 'space'))) return null;
    return {
      batchId: view.batch.id,
      name: view.name,
      kind,
      placeId,
      place: nameOf(season, placeId ?? asIs.plan.places.pot),
      on: day,
      later_days: late - lateAsIs,
      price: priceOfDelay(season, trays, late, lateAsIs, day - on),
    };
  };
  const found = placesForStage(tables, crop, 'pot', on)
    .filter((fit) => fit.placeId !== notPlace)
    .map((fit) => offer('place', fit.placeId, on));
  for (let day = on + 1; day <= on + LATER_days; day++) {
    const later = offer('day', line.placeId, day);
    if (!later) continue;
    found.push(later);
    break;
  }
  return found.filter((o) => o !== null);
}

function nameOf(season: Season, placeId: number | null | undefined): string {
  return season.world.places.find((p) => p.id === placeId)?.name ?? 'away';
}
