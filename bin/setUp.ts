import type { EventKind } from '../src/core/batch/event.ts';
import type { PersonOfHouse } from '../src/core/house/people.ts';
import { inTransaction, signAs } from '../src/db/inTransaction.ts';
import type { Sequelize } from 'sequelize';
import { isoFromDay, requireDay, weekdayOf } from '../src/core/calendar/dayNumber.ts';
import type { BatchPlan } from '../src/core/plan/batchPlan.ts';
import type { Container } from '../src/core/books/container.ts';
import type { Place } from '../src/core/books/place.ts';
import type { DemoClock } from '../src/core/house/nursery.ts';
import { insertBatch, insertEvent, type NewEvent } from '../src/db/batch/batches.ts';
import {
  ContainerModel,
  CropModel,
  LotModel,
  PlaceModel,
  PlacePeriodModel,
  VarietyModel,
} from '../src/db/books/models.ts';
import type { HouseJob } from '../src/core/house/houseJob.ts';
import { HouseJobModel, NurseryModel, PersonModel } from '../src/db/house/models.ts';
import { FeedModel, MixModel, StockItemModel } from '../src/db/potting/models.ts';
import { insertStockMoves } from '../src/db/potting/potting.ts';
import { writeWeather } from '../src/db/weather/weather.ts';
import type { WeatherDay } from '../src/core/weather/weatherDay.ts';
import type { PottingSeed } from '../src/contracts/potting/potting.ts';
import { insertZone, readSensors, readZones } from '../src/db/heat/heat.ts';
import { downSample, insertHours, insertReadings } from '../src/db/heat/readings.ts';
import { PROGRAMMES } from '../src/core/hardening/programme.ts';
import type { SeedCover } from '../src/contracts/hardening/hardening.ts';
import type { SiteReadingInput } from '../src/contracts/weather/siteReadings.ts';
import { CoverModel, ProgrammeModel } from '../src/db/hardening/models.ts';
import { insertReading } from '../src/db/weather/site.ts';
import type { ZoneSpec } from '../src/core/heat/zone.ts';
import { setClosed } from '../src/db/house/seasons.ts';
import { readWorld } from '../src/db/house/world.ts';
import { morningOf, nowAt } from '../src/server/clock.ts';
import { workOut } from '../src/core/plan/season.ts';
import { libraryCrops } from './libraryCrops.ts';
import { writePhotos, writeScales, writeWater } from './setUpLogs.ts';
import { whatIsThere } from '../src/db/house/whatIsThere.ts';
import type { SeedPhoto } from '../simulators/demoPhotos.ts';
import type { SeedAir, SeedScale, SeedWater } from '../simulators/demoWater.ts';
import { foldInto } from '../src/server/house/seasons.ts';

/** The nursery a start begins with. */
export interface NurserySeed {
  readonly nursery: Omit<Parameters<typeof NurseryModel.create>[0] & object, 'id' | 'demoClock' | 'version'> & {
    timeZone: string;
  };
  /** Calendar day the demo's clock stands on; null for a real nursery. */
  readonly demoToday: number | null;
  readonly people: readonly Omit<PersonOfHouse, 'id'>[];
  readonly places: readonly Place[];
  readonly containers: readonly Container[];
  readonly heat?: HeatSeed;
  readonly potting: PottingSeed;
  readonly weather?: { readonly name: string; readonly days: readonly WeatherDay[] };
  readonly covers: readonly SeedCover[];
  /** Readings by hand; covers by the seed's numbers. */
  readonly readings?: readonly Omit<SiteReadingInput, 'idempotencyKey'>[];
  readonly houseJobs?: readonly SeedJob[];
  readonly photos?: readonly SeedPhoto[];
  readonly water?: readonly SeedWater[];
  readonly scales?: readonly SeedScale[];
  readonly air?: readonly SeedAir[];
  readonly batches: readonly {
    readonly crop: string;
    readonly variety: string;
    readonly plan: BatchPlan;
    readonly events: readonly Pick<NewEvent, 'kind' | 'day' | 'count' | 'placeId' | 'cause' | 'note' | 'details'>[];
  }[];
}

/** A job of the house; its place by the seed's number, its crop by name, its person by their place in the list. */
export type SeedJob = Omit<HouseJob, 'id' | 'placeId' | 'batchId' | 'cropId' | 'personId'> & {
  readonly place: number | null;
  readonly crop: string | null;
  readonly person: number | null;
};

/** Heated zones with readings to begin with; zones by the seed's numbers of places. */
export interface HeatSeed {
  readonly zones: readonly { readonly place: number; readonly device: string; readonly spec: ZoneSpec }[];
  readonly readings: readonly SeedReadings[];
  /** By the hour, before those. */
  readonly hours: readonly SeedReadings[];
}
interface SeedReadings {
  readonly device: string;
  readonly at_ms: readonly number[];
  readonly columns: Readonly<Record<'medium' | 'bed' | 'air' | 'heater' | 'set', readonly number[]>>;
  readonly outside: readonly number[];
}

/**
 * Empties the database of the demo and writes a nursery in its place, all or nothing. Refuses to touch a real nursery.
 * @param instead whether one in which nothing was written yet may give way as well
 */
export async function setUp(db: Sequelize, seed: NurserySeed, machine_ms: number, instead = false): Promise<void> {
  const there = await whatIsThere();
  if (there === 'nursery' || (there === 'not begun' && !instead))
    throw new Error('there is a real nursery in this database; it is never overwritten');
  const crops = await libraryCrops();
  await inTransaction(db, async (transaction) => {
    await db.query(`SELECT set_config('crook.no_audit', 'on', true)`, { transaction });
    await db.query(
      `TRUNCATE audit, sign_ins, one_time_keys, passkeys, accounts, scale_weights, water_lines, scales, photos, photo_counts, round_lines, house_jobs, forecast_tries, forecasts, site_readings, covers, programmes, weather_days, stock_moves, potting_marks, potting_sessions, feeds, mixes, stock_items, heat_status, zone_hand_readings, device_orders, calibrations, alarms, set_point_log, heat_overrides, readings_dirty, reading_tiers,
         readings, heat_sensors, heat_zones, scenarios, plan_changes, imports, old_trays, old_tray_files, kept_estimates, kept_batches, plan_versions, batch_events, batches, seasons, containers, place_periods, place_set_points, hot_bed_log, places, lots, varieties, crops, people, nursery
       RESTART IDENTITY`,
      { transaction },
    );
    const at_ms = seed.demoToday === null ? 0 : morningOf(seed.demoToday, seed.nursery.timeZone);
    const demoClock: DemoClock | null =
      seed.demoToday === null ? null : { at_ms, anchor_ms: machine_ms, running: false, rate: 60 };
    await NurseryModel.create({ ...(seed.nursery as object), id: 1, demoClock } as never, { transaction });
    for (const person of seed.people) await PersonModel.create({ ...person }, { transaction });
    const cropIds = new Map<string, number>();
    for (const { id: _id, ...crop } of crops) {
      const row = await CropModel.create({ ...crop, emergence: [...crop.emergence] }, { transaction });
      cropIds.set(crop.name, row.id);
    }
    const placeIds = new Map<number, number>();
    for (const { id, periods, setPoints: _none, closed = [], size, temperature, light, ...place } of seed.places) {
      const dated = closed.map(({ from, to }) => ({ from: isoFromDay(from), to: isoFromDay(to) }));
      const row = await PlaceModel.create(
        {
          ...place,
          closed: dated,
          ...(size ? { size } : {}),
          ...(light ? { light } : {}),
          ...(temperature ? { temperature } : {}),
        },
        { transaction },
      );
      placeIds.set(id, row.id);
      await PlacePeriodModel.bulkCreate(
        periods.map((period) => ({ ...period, placeId: row.id })),
        { transaction },
      );
    }
    const containerIds = new Map<number, number>();
    for (const { id, ...container } of seed.containers) {
      containerIds.set(id, (await ContainerModel.create(container, { transaction })).id);
    }
    await writePottingBooks(db, seed, containerIds, transaction);
    await ProgrammeModel.bulkCreate(
      PROGRAMMES.map((p) => ({ ...p, rungs: [...p.rungs] })),
      { transaction },
    );
    const coverIds = new Map<number, number>();
    for (const { id, place, ...cover } of seed.covers) {
      const row = await CoverModel.create(
        { ...cover, placeId: place === null ? null : placeIds.get(place)! },
        { transaction },
      );
      coverIds.set(id, row.id);
    }
    for (const [i, reading] of (seed.readings ?? []).entries()) {
      const coverId = reading.coverId === null ? null : coverIds.get(reading.coverId)!;
      const idempotencyKey = `seed reading ${i}`;
      const at = morningOf(requireDay(reading.day), seed.nursery.timeZone);
      await insertReading(db, { ...reading, coverId, idempotencyKey }, idempotencyKey, at, transaction);
    }
    for (const { place, crop, person, firstOn, lastOn, ...job } of seed.houseJobs ?? [])
      await HouseJobModel.create(
        {
          ...job,
          firstOn: isoFromDay(firstOn),
          lastOn: lastOn === null ? null : isoFromDay(lastOn),
          placeId: place === null ? null : placeIds.get(place)!,
          batchId: null,
          cropId: crop === null ? null : cropIds.get(crop)!,
          personId: person,
        },
        { transaction },
      );
    const batchIds = await writeBatches(db, seed, { cropIds, placeIds, containerIds, coverIds }, transaction);
    await writePhotos(db, seed, { batchIds, placeIds }, transaction);
    await writeWater(db, seed, { batchIds, placeIds }, transaction);
    await writeScales(seed, batchIds, transaction);
    for (const { place, device, spec } of seed.heat?.zones ?? [])
      await insertZone(db, { placeId: placeIds.get(place)!, device, spec: spec as never }, transaction);
  });
  if (seed.weather) await writeWeather(db, seed.weather.days, seed.weather.name);
  if (seed.demoToday !== null) await closeEarlier(db, seed.demoToday);
  if (seed.heat) await writeReadings(db, seed.heat);
  // What was set up was changed by nobody.
  await db.query('TRUNCATE audit RESTART IDENTITY');
}

/** Closes the demo's seasons that are over, as the grower would have. */
async function closeEarlier(db: Sequelize, today: number): Promise<void> {
  const world = (await readWorld(db))!;
  const over = world.seasons.filter((one) => one.lastDay < today);
  if (over.length === 0) return;
  const season = workOut(world, nowAt(world.nursery));
  for (const { id, lastDay } of over)
    await inTransaction(db, async (transaction) => {
      const closing = season.batches.filter((view) => view.batch.seasonId === id);
      await foldInto(db, season, id, closing, transaction);
      await setClosed(db, id, morningOf(lastDay, world.nursery.timeZone), transaction);
    });
}

/** The nursery's stock, mixes and feeds to begin with. */
async function writePottingBooks(
  db: Sequelize,
  { potting }: NurserySeed,
  containerIds: ReadonlyMap<number, number>,
  transaction: Parameters<typeof insertBatch>[2],
): Promise<void> {
  const itemIds = new Map<number, number>();
  for (const { id, containerId, ...item } of potting.items) {
    const row = await StockItemModel.create(
      { ...item, containerId: containerId === null ? null : containerIds.get(containerId)! },
      { transaction },
    );
    itemIds.set(id, row.id);
  }
  const mixIds = new Map<number, number>();
  for (const { id, parts, ...mix } of potting.mixes) {
    const mine = parts.map((part) => ({ ...part, itemId: itemIds.get(part.itemId)! }));
    mixIds.set(id, (await MixModel.create({ ...mix, parts: mine }, { transaction })).id);
  }
  const feeds = await FeedModel.bulkCreate([...potting.feeds], { transaction, returning: true });
  // What is kept in stock under the name of a feed is that feed.
  for (const { id, name } of feeds)
    await StockItemModel.update({ feedId: id }, { where: { name, kind: 'feed' }, transaction });
  const mix = (id: number | null | undefined) => (id == null ? null : mixIds.get(id)!);
  const { settings } = potting;
  await NurseryModel.update(
    {
      potting: {
        ...settings,
        mixId: mix(settings.mixId),
        baseMixId: mix(settings.baseMixId),
        sowMixId: mix(settings.sowMixId),
        feedId: feeds[0]?.id ?? null,
      },
    },
    { where: { id: 1 }, transaction },
  );
  if (potting.countedOn === null) return;
  const day = requireDay(potting.countedOn);
  await insertStockMoves(
    db,
    Object.entries(potting.counts).map(([id, amount]) => ({
      itemId: itemIds.get(Number(id))!,
      kind: 'count' as const,
      amount,
      day,
      note: '',
      eventId: null,
      key: `seed count ${id}`,
    })),
    transaction,
  );
}

/** The readings a demo begins with, and their tiers. */
async function writeReadings(db: Sequelize, heat: HeatSeed): Promise<void> {
  const zones = await readZones(db);
  const sensors = await readSensors(db);
  const rowsOf = (list: readonly SeedReadings[]) =>
    list.flatMap(({ device, at_ms, columns, outside }, i) => {
      const zone = zones.find((z) => z.device === device)!;
      const one = (role: string, values: readonly number[]) => {
        const sensorId = sensors.find((s) => s.role === role && s.zoneId === (role === 'outside' ? null : zone.id))!.id;
        return values.map((value, k) => ({ sensorId, at_ms: at_ms[k]!, value }));
      };
      const own = Object.entries(columns).flatMap(([role, values]) => one(role, values));
      return i === 0 ? [...own, ...one('outside', outside)] : own;
    });
  const rows = rowsOf(heat.readings);
  for (let i = 0; i < rows.length; i += 10_000) await insertReadings(db, rows.slice(i, i + 10_000));
  while ((await downSample(db)) > 0);
  await insertHours(db, rowsOf(heat.hours));
  // Whoever began to look at these sensors has seen them checked in ice.
  await db.query(
    `UPDATE heat_sensors SET checked_on = '2027-03-02', due_on = '2027-08-29', offset_k = 0.19 WHERE role = 'medium' AND id % 2 = 1`,
  );
}

/** A lot of the seed's seed, each a little different: most tested last autumn, some old, some known by weight. */
function lotOf(demo: NurserySeed['batches'][number], n: number) {
  const old = n % 9 === 4;
  const counts = [
    { day: 3, up: 6 + (n % 5) },
    { day: 5, up: 15 + (n % 3) },
    { day: 8, up: 17 + (n % 3) },
  ];
  const testedOn = isoFromDay(demo.plan.transplantOn - (old ? 1240 : 200));
  return {
    receivedOn: isoFromDay(demo.plan.transplantOn - (old ? 1200 : 150)),
    germination_percent: 86 + (n % 10),
    testedOn,
    seeds_count: 350 + ((n * 370) % 2900),
    thousandSeed_g: n % 3 === 0 ? 1.2 + (n % 7) * 0.4 : null,
    packet_seeds: n % 2 === 0 ? 250 : null,
    packet_price: n % 2 === 0 ? 3.6 : null,
    storage_C: 8,
    moisture_percent: 7,
    tests: n % 4 === 1 ? [{ on: testedOn, method: 'on damp paper', seeds: 20, counts }] : [],
  };
}

/** Who of a seed's people wrote a line: the last of them at the weekend, else the first where plants are moved, the second where they are looked at. */
function authorOf({ kind, day }: { readonly kind: EventKind; readonly day: number }, people_count: number): number {
  if (weekdayOf(day) >= 6) return people_count;
  return ['potted', 'hardening-started', 'planted-out', 'ended', 'lost'].includes(kind) ? 1 : Math.min(2, people_count);
}

interface Ids {
  readonly cropIds: ReadonlyMap<string, number>;
  readonly placeIds: ReadonlyMap<number, number>;
  readonly containerIds: ReadonlyMap<number, number>;
  readonly coverIds: ReadonlyMap<number, number>;
}

async function writeBatches(
  db: Sequelize,
  seed: NurserySeed,
  ids: Ids,
  transaction: Parameters<typeof insertBatch>[2],
): Promise<number[]> {
  const batchIds: number[] = [];
  const place = (id: number | null) => (id === null ? null : ids.placeIds.get(id)!);
  const varieties = new Map<string, { varietyId: number; lotId: number }>();
  for (const [i, demo] of seed.batches.entries()) {
    const cropId = ids.cropIds.get(demo.crop)!;
    const key = `${demo.crop}/${demo.variety}`;
    if (!varieties.has(key)) {
      const variety = await VarietyModel.create({ cropId, name: demo.variety, note: '' }, { transaction });
      const lot = await LotModel.create(
        {
          varietyId: variety.id,
          code: `WB-${String(100 + varieties.size)}`,
          ...lotOf(demo, varieties.size),
        },
        { transaction },
      );
      varieties.set(key, { varietyId: variety.id, lotId: lot.id });
    }
    const plan: BatchPlan = {
      ...demo.plan,
      places: {
        germinate: place(demo.plan.places.germinate),
        grow: place(demo.plan.places.grow),
        pot: place(demo.plan.places.pot),
        harden: place(demo.plan.places.harden),
      },
      coverId: demo.plan.coverId ? ids.coverIds.get(demo.plan.coverId)! : null,
      sowContainerId: ids.containerIds.get(demo.plan.sowContainerId)!,
      potContainerId: demo.plan.potContainerId === null ? null : ids.containerIds.get(demo.plan.potContainerId)!,
    };
    const batch = await insertBatch(
      db,
      { cropId, ...varieties.get(key)!, plan, note: '', splitFromId: null },
      transaction,
    );
    batchIds.push(batch.id);
    for (const [j, event] of demo.events.entries()) {
      const idempotencyKey = `seed-${i}-${j}`.padEnd(8, '.');
      if (seed.people.length > 0) await signAs(db, authorOf(event, seed.people.length), transaction);
      await insertEvent(
        {
          ...event,
          batchId: batch.id,
          placeId: place(event.placeId),
          details: event.details
            ? { ...event.details, containerId: ids.containerIds.get(event.details.containerId)! }
            : null,
          correctsId: null,
          snapshot: null,
          idempotencyKey,
          requestHash: idempotencyKey,
          recordedAt_ms: morningOf(event.day, seed.nursery.timeZone),
        },
        transaction,
      );
    }
  }
  return batchIds;
}
