import { meanPrice_kWh, nightFactor, USUAL_TARIFF, type Tariff } from '../../core/heat/cost.ts';
import { Transaction, type Sequelize } from 'sequelize';
import { requireDay } from '../../core/calendar/dayNumber.ts';
import { USUAL_PLANNING } from '../../core/plan/placement/planning.ts';
import { USUAL_WEIGHTS } from '../../core/plan/placement/instance.ts';
import { USUAL_PLANTING } from '../../core/planting/settings.ts';
import { USUAL_POTTING } from '../../core/potting/settings.ts';
import { CoverModel, ProgrammeModel } from '../hardening/models.ts';
import { readHotBedLog } from '../heat/hotBeds.ts';
import { FeedModel, MixModel, StockItemModel } from '../potting/models.ts';
import type { BatchRecord, EventRecord } from '../../core/batch/record.ts';
import { BatchModel } from '../batch/models.ts';
import type { SeasonRecord } from '../../core/house/seasonRecord.ts';
import { readWaterLines } from '../watering/water.ts';
import { readRound } from './round.ts';
import { readKeptOfAll, readSeasons } from './seasons.ts';

import {
  ContainerModel,
  CropModel,
  LotModel,
  PlaceModel,
  PlacePeriodModel,
  PlaceSetPointModel,
  VarietyModel,
} from '../books/models.ts';
import { ScaleModel } from '../watering/models.ts';
import { NurseryModel, PersonModel } from './models.ts';
import type { World } from '../../core/house/world.ts';
import { knownTogether } from '../inTransaction.ts';
import { readPlan } from '../../core/plan/batchPlan.ts';

/** Marks that move with every write: while `revision` stands, a World read before is still true; likewise the rest. */
export interface Marks {
  readonly revision: string;
  /** The books with the settings, seasons and people; and the plans of batches. */
  readonly books: string;
  readonly batches: string;
  /** Daily weather. */
  readonly weather: string;
  /** Forecasts and readings of the site. */
  readonly site: string;
}

export async function readMarks(db: Sequelize, transaction: Transaction | null = null): Promise<Marks> {
  const [rows] = await db.query(
    `SELECT n::text AS revision, books::text AS books, batches::text AS batches, weather::text AS weather, concat_ws('.', weather, (SELECT max(id) FROM forecasts),
       (SELECT max(id) FROM site_readings)) AS site FROM revision`,
    { transaction },
  );
  return (rows as Marks[])[0]!;
}

/**
 * Reads all in one snapshot. null when the nursery is not set up yet. Of the log, which only grows, just the lines are
 * read that `known` does not hold.
 */
export async function readWorld(db: Sequelize, known: World | null = null): Promise<World | null> {
  return db.transaction({ isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ }, async (transaction) => {
    const marks = await readMarks(db, transaction);
    const books = known?.booksMark === marks.books ? known : await readBooks(db, transaction);
    if (!books) return null;
    const { seasons } = books;
    const plansStand = known?.booksMark === marks.books && known.batchesMark === marks.batches;
    return {
      ...books,
      ...(await readRound(db, known, transaction)),
      waterLines: await readWaterLines(known, transaction),
      revision: marks.revision,
      booksMark: marks.books,
      batchesMark: marks.batches,
      kept: await readKeptOfAll(db, known?.kept ?? null, transaction),
      batches: plansStand ? known.batches : await readBatches(seasons, transaction),
      events: await readLog(db, known, seasons, plansStand, transaction),
    };
  });
}

async function readBatches(seasons: readonly SeasonRecord[], transaction: Transaction): Promise<BatchRecord[]> {
  const open = seasons.filter((season) => season.closedAt_ms === null).map((season) => season.id);
  const where = { seasonId: open, voidedAt: null };
  return (await BatchModel.findAll({ raw: true, transaction, where, order: ['id'] })).map(batchRecord);
}

type Books = Omit<
  World,
  'revision' | 'booksMark' | 'batchesMark' | 'kept' | 'batches' | 'events' | 'houseJobs' | 'roundLines' | 'waterLines'
>;

/** The books with the settings, seasons and people; null when the nursery is not set up yet. */
async function readBooks(db: Sequelize, transaction: Transaction): Promise<Books | null> {
  const all = { raw: true as const, transaction };
  const nursery = await NurseryModel.findByPk(1, all);
  if (!nursery) return null;
  const crops = await CropModel.findAll({ ...all, order: ['name'] });
  const varieties = await VarietyModel.findAll({ ...all, order: ['name'] });
  const lots = await LotModel.findAll({ ...all, order: ['id'] });
  const places = await PlaceModel.findAll({
    ...all,
    order: ['walkOrder', 'id'],
  });
  const periods = await PlacePeriodModel.findAll({
    ...all,
    order: ['placeId', 'from'],
  });
  const setPoints = await PlaceSetPointModel.findAll({ ...all, order: ['placeId', 'week'] });
  const bedLines = await readHotBedLog(db, transaction);
  const containers = await ContainerModel.findAll({
    ...all,
    order: ['id'],
  });
  const seasons = await readSeasons(db, transaction);
  const { id: _one, feedKey, ...plainNursery } = nursery;
  return {
    nursery: {
      ...plainNursery,
      // One price of a kWh: the tariff's.
      weights: { ...USUAL_WEIGHTS, ...plainNursery.weights, ...(await readPrices(db, transaction)) },
      planning: { ...USUAL_PLANNING, ...plainNursery.planning },
      potting: { ...USUAL_POTTING, ...plainNursery.potting },
      planting: {
        ...USUAL_PLANTING,
        ...plainNursery.planting,
        // A gate that came later stands as it usually does.
        modes: { ...USUAL_PLANTING.modes, ...plainNursery.planting?.modes },
      },
    },
    feedKey,
    crops,
    varieties,
    lots: lots.map((lot) => ({
      ...lot,
      receivedOn: dayOrNull(lot.receivedOn),
      testedOn: dayOrNull(lot.testedOn),
      tests: lot.tests.map((test) => ({ ...test, on: requireDay(test.on) })),
    })),
    places: places.map((place) => ({
      ...place,
      closed: place.closed.map(({ from, to }) => ({ from: requireDay(from), to: requireDay(to) })),
      setPoints: setPoints
        .filter((s) => s.placeId === place.id)
        .map(({ week, setPoint_C }) => ({ week: requireDay(week), setPoint_C })),
      periods: periods
        .filter((p) => p.placeId === place.id)
        .map(({ from, day_C, night_C }) => ({ from, day_C, night_C })),
      ...(place.temperature.kind === 'hot-bed' ? { bedLog: bedLines.filter((line) => line.placeId === place.id) } : {}),
    })),
    containers,
    mixes: await MixModel.findAll({ ...all, order: ['name'] }),
    feeds: await FeedModel.findAll({ ...all, order: ['name'] }),
    stock: await StockItemModel.findAll({ ...all, order: ['kind', 'name'] }),
    covers: await CoverModel.findAll({ ...all, order: ['id'] }),
    programmes: await ProgrammeModel.findAll({ ...all, order: ['id'] }),
    people: await PersonModel.findAll({ ...all, order: ['name'] }),
    scales: await ScaleModel.findAll({ ...all, order: ['name'] }),
    seasons,
  };
}

async function readPrices(
  db: Sequelize,
  transaction: Transaction,
): Promise<{ heat_perkWh: number; heatNight_factor: number }> {
  const [rows] = await db.query('SELECT tariff FROM heat_settings WHERE id = 1', { transaction });
  const tariff = (rows as { tariff: Tariff }[])[0]?.tariff ?? USUAL_TARIFF;
  return { heat_perkWh: meanPrice_kWh(tariff), heatNight_factor: nightFactor(tariff) };
}

const openIds = (seasons: readonly SeasonRecord[]): string =>
  seasons
    .filter((season) => season.closedAt_ms === null)
    .map((season) => season.id)
    .join();

type Log = ReadonlyMap<number, readonly EventRecord[]>;

/** Lines with numbers given out at the same time may be committed out of order, but not by more than this. */
const LATE_lines = 2_000;

/**
 * The whole log by batch: what is known and what has come since, or all anew when the two do not add up.
 * @param plansStand no batch was made, voided or moved since: then only the latest lines are added up
 */
async function readLog(
  db: Sequelize,
  known: World | null,
  seasons: readonly SeasonRecord[],
  plansStand: boolean,
  transaction: Transaction,
): Promise<Log> {
  if (!known || openIds(known.seasons) !== openIds(seasons))
    return groupByBatch(await readEvents(db, null, transaction));
  let lastId = 0;
  for (const events of known.events.values()) lastId = Math.max(lastId, events.at(-1)?.id ?? 0);
  const after = plansStand ? lastId - LATE_lines : 0;
  let held = 0;
  for (const events of known.events.values())
    for (let i = events.length - 1; i >= 0 && events[i]!.id > after; i--) held++;
  const news = await readEvents(db, null, transaction, lastId);
  // A line with a lower number can have been committed later than one with a higher.
  const [rows] = await db.query(`SELECT count(*)::integer AS n FROM batch_events e ${OF_OPEN} AND e.id > $1`, {
    bind: [after],
    transaction,
  });
  if ((rows as { n: number }[])[0]!.n !== held + news.length)
    return groupByBatch(await readEvents(db, null, transaction));
  if (news.length === 0) return known.events;
  const log = new Map(known.events);
  for (const [batchId, events] of groupByBatch(news)) log.set(batchId, [...(log.get(batchId) ?? []), ...events]);
  return log;
}

/** Lines of batches of open seasons: those of closed ones are read when somebody asks for their page. */
const OF_OPEN = `WHERE batch_id IN (SELECT b.id FROM batches b JOIN seasons s ON s.id = b.season_id WHERE s.closed_at IS NULL AND b.voided_at IS NULL)`;

/** The log of a batch, as it is known to work done together. */
export const logOf = (batchId: number): string => `log ${batchId}`;

/** Events after a line, of one batch or of all of open seasons (batchId null), in the order written. Raw: this is the table that grows. */
export async function readEvents(
  db: Sequelize,
  batchId: number | null,
  transaction: Transaction | null,
  afterId = 0,
): Promise<EventRecord[]> {
  const known = transaction && batchId !== null && afterId === 0 ? knownTogether<EventRecord[]>(logOf(batchId)) : null;
  if (known) return known;
  const [rows] = await db.query(
    `SELECT ${EVENT_COLUMNS} FROM batch_events e ${batchId === null ? OF_OPEN : 'WHERE e.batch_id = $2'} AND e.id > $1 ORDER BY e.id`,
    { bind: batchId === null ? [afterId] : [afterId, batchId], transaction },
  );
  return (rows as EventRow[]).map(eventRecord);
}

/** The logs of several batches, each as readEvents gives it. */
export async function readEventsOf(
  db: Sequelize,
  batchIds: readonly number[],
  transaction: Transaction,
): Promise<ReadonlyMap<number, readonly EventRecord[]>> {
  const [rows] = await db.query(
    `SELECT ${EVENT_COLUMNS} FROM batch_events e WHERE e.batch_id = ANY($1) ORDER BY e.id`,
    { bind: [batchIds], transaction },
  );
  return groupByBatch((rows as EventRow[]).map(eventRecord));
}

/** Columns of a line of the log, from batch_events AS e. */
export const EVENT_COLUMNS = `e.id, e.batch_id, e.kind, e.on_day::text AS on_day, e.count, e.place_id, e.note, e.cause,
  e.corrects_id, e.snapshot, e.tray, extract(epoch FROM e.recorded_at) * 1000 AS recorded_ms, e.details, e.planting, e.author_id,
  e.waited, extract(epoch FROM e.tapped_at) * 1000 AS tapped_ms`;

export function eventRecord(row: EventRow): EventRecord {
  return {
    id: row.id,
    batchId: row.batch_id,
    kind: row.kind,
    day: requireDay(row.on_day),
    count: row.count,
    placeId: row.place_id,
    note: row.note,
    cause: row.cause,
    correctsId: row.corrects_id,
    snapshot: row.snapshot,
    tray: row.tray,
    recordedAt_ms: Number(row.recorded_ms),
    details: row.details,
    planting: row.planting,
    authorId: row.author_id,
    ...(row.waited ? { tappedAt_ms: row.tapped_ms === null ? null : Number(row.tapped_ms) } : {}),
  };
}

export interface EventRow {
  waited: boolean;
  tapped_ms: string | null;
  id: number;
  batch_id: number;
  kind: EventRecord['kind'];
  on_day: string;
  count: number | null;
  place_id: number | null;
  note: string;
  cause: string;
  corrects_id: number | null;
  snapshot: EventRecord['snapshot'];
  tray: number | null;
  recorded_ms: string;
  details: EventRecord['details'];
  planting: EventRecord['planting'];
  author_id: number | null;
}

/** A batch row as a plain record. */
export function batchRecord(row: BatchModel): BatchRecord {
  return {
    id: row.id,
    version: row.version,
    code: row.code,
    letter: row.letter,
    cropId: row.cropId,
    varietyId: row.varietyId,
    lotId: row.lotId,
    plan: readPlan(row, {
      germinate: row.germinatePlaceId,
      grow: row.growPlaceId,
      pot: row.potPlaceId,
      harden: row.hardenPlaceId,
      space: row.spacePlaceId,
    }),
    note: row.note,
    splitFromId: row.splitFromId,
    pinned: row.pinned,
    familyId: row.familyId,
    seasonId: row.seasonId,
    resownFromId: row.resownFromId,
    planned: row.planned && Object.fromEntries(Object.entries(row.planned).map(([key, iso]) => [key, requireDay(iso)])),
  };
}

function groupByBatch(events: readonly EventRecord[]): Map<number, EventRecord[]> {
  const groups = new Map<number, EventRecord[]>();
  for (const event of events) {
    const group = groups.get(event.batchId);
    if (group) group.push(event);
    else groups.set(event.batchId, [event]);
  }
  return groups;
}

const dayOrNull = (iso: string | null): number | null => (iso === null ? null : requireDay(iso));
