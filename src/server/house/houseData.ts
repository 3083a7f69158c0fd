import { isOver } from '../../core/batch/event.ts';
import { seasonOf } from '../../core/calendar/season.ts';
import type { HouseData, SeasonBatch } from '../../contracts/plan/seasonData.ts';
import { frostGoneBy } from '../weather/siteFrost.ts';
import { knownOutside } from '../../core/weather/knownOutside.ts';
import type { World } from '../../core/house/world.ts';
import type { HousePace } from '../../core/plan/placement/planning.ts';
import { paceOf } from '../../core/potting/rates.ts';
import { timedOf } from '../potting/books.ts';
import { siteDays } from '../weather/siteDays.ts';
import { currentSeason } from './seasons.ts';
import { emergenceFactor } from '../../core/germination/learned.ts';
import { TABLE_DAYS, type BatchView, type Season } from '../../core/plan/season.ts';
import { Derived } from '../../core/numerics/remembered.ts';
import { WORDS } from '../../words/en/house/houseData.ts';

/** What the islands work from: crops (all, or those of the batches given), places, containers, settings. */
export function houseData(season: Season, cropIds: ReadonlySet<number> | null): HouseData {
  const { world, now, tables, taught, grown } = season;
  const plain = <T extends { version: number }>({ version: _version, ...rest }: T) => rest;
  return {
    today: now.today,
    seasonLabel: labelOf(season),
    tablesFrom: tables.from,
    tableDays: TABLE_DAYS,
    unit: world.nursery.temperatureUnit,
    lastFrost: world.nursery.lastFrost,
    firstFrost: world.nursery.firstFrost,
    frost: frostGoneBy(season.site, world),
    spare_frac: world.nursery.spare_frac,
    offHeat: world.nursery.offHeat,
    outside: world.nursery.outside,
    latitude_deg: world.nursery.latitude_deg,
    knownOutside: knownOutside(season.site, tables.from),
    coolSchool: world.nursery.coolSchool,
    coolMost_C: world.nursery.coolMost_C,
    weights: world.nursery.weights,
    planning: world.nursery.planning,
    pace: housePace(world),
    crops: season.crops.filter((crop) => cropIds === null || cropIds.has(crop.id)).map(plain),
    varieties:
      cropIds === null
        ? season.varieties.map(({ id, cropId, name, figures, retiredOn }) => {
            const emergence_factor = emergenceFactor(world, taught, { cropId, varietyId: id, lotId: null });
            return { id, cropId, name, figures, emergence_factor, retiredOn };
          })
        : season.varieties
            .filter((v) => cropIds.has(v.cropId) && Object.keys(v.figures).length > 0)
            .map(({ id, cropId, name, figures }) => ({ id, cropId, name, figures, emergence_factor: 1 })),
    lots:
      cropIds === null
        ? world.lots.map(({ id, varietyId, code, retiredOn }) => {
            const { cropId } = world.varieties.find((v) => v.id === varietyId)!;
            const emergence_factor = emergenceFactor(world, taught, { cropId, varietyId, lotId: id });
            return { id, varietyId, code, emergence_factor, retiredOn };
          })
        : [],
    grown: cropIds === null && world.nursery.learning ? grown : [],
    seasons: world.seasons.filter((one) => one.closedAt_ms === null).map(({ id, name }) => ({ id, name })),
    places: world.places,
    containers: world.containers.map(plain),
    covers: world.covers
      .filter((c) => c.structure === null)
      .map(({ id, name, retiredOn }) => ({ id, name, retiredOn })),
    programmes: world.programmes.map(({ id, name, retiredOn }) => ({ id, name, retiredOn })),
    siteDays: siteDays(season),
  };
}

/** The pace of the house's hands: as timed when potting, and by its trolley. */
export function housePace(world: World): HousePace {
  const { trolley_trays, trip_min } = world.nursery.potting;
  // Of no pot and no crop in particular: the house's own.
  return {
    pot_perMinute: paceOf(timedOf(world), NONE_ID, NONE_ID).perMinute,
    carry_minPerTray: trip_min / Math.max(1, trolley_trays),
  };
}
const NONE_ID = -1;

/** Names of the seasons of the batches in hand; of the current one where there are none. */
function labelOf({ batches, now, world }: Season): string {
  const inHand = new Set(batches.filter(({ state }) => !isOver(state.phase)).map(({ batch }) => batch.seasonId));
  const names = world.seasons.filter((one) => inHand.has(one.id)).map((one) => one.name);
  if (names.length === 0)
    return currentSeason(world.seasons, now.today)?.name ?? seasonOf(now.today, world.nursery.latitude_deg).label;
  return names.length > 2 ? WORDS.to(names[0], names.at(-1)) : names.join(' and ');
}

/** All the season's drawing works from, as JSON. */
export function seasonDataJson(season: Season): string {
  const cropIds = new Set(season.batches.map((view) => view.batch.cropId));
  return `{"house":${JSON.stringify(houseData(season, cropIds))},"initial":${seasonBatchesJson(season)}}`;
}

/** The batches of the season's drawing, as JSON. A batch that has not changed keeps its text. */
export function seasonBatchesJson(season: Season): string {
  const texts = season.batches.map((view) => written.get(view, () => JSON.stringify(seasonBatch(view))));
  return `[${texts.join(',')}]`;
}

const written = new Derived<BatchView, string>();

export function seasonBatch({ batch, name, state, coming_frac, weather }: BatchView): SeasonBatch {
  const { phase, facts, sown_count, alive_count, placeId, stays, lastDay, moves, treatedOn } = state;
  const { up_count, lost_count, left_count, planted_count, lastCountOn } = state;
  const counted = { up_count, lost_count, left_count, planted_count, lastCountOn };
  return {
    id: batch.id,
    version: batch.version,
    code: batch.code,
    name,
    cropId: batch.cropId,
    varietyId: batch.varietyId,
    plan: batch.plan,
    pinned: batch.pinned,
    familyId: batch.familyId,
    seasonId: batch.seasonId,
    state: { phase, facts, sown_count, alive_count, placeId, stays, lastDay, moves, treatedOn, ...counted },
    coming_frac,
    weather,
  };
}
