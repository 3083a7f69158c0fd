import { batchProgress, type Progress } from '../core/batch/progress.ts';
import { reduceLog, type BatchState } from '../core/batch/reduce.ts';
import { roundOf, workOf, type Job } from '../core/round/work.ts';
import { climateStart } from '../core/schedule/placeClimate.ts';
import { seasonTables, type MeasuredPlaces, type SeasonTables } from '../core/schedule/seasonTables.ts';
import type { BatchRecord, CropRecord, EventRecord } from '../contracts/records.ts';
import { ProblemError } from '../contracts/problem.ts';
import { readMarks, readWorld, type Marks, type World } from '../db/world.ts';
import { readMeasured } from '../db/measured.ts';
import { milestoneOf } from '../core/schedule/chain.ts';
import { ladderOf, type Ladder } from './hardening/ladders.ts';
import { readSite, type Site } from './site/site.ts';
import { nowAt, type Now } from './clock.ts';
import { database } from './database.ts';
import { cropsToPlanBy, emergenceFactor, taughtBy, type BatchTaught } from './learned.ts';

/** Days the tables cover from 1 January of last year: to the end of the year after next. */
export const TABLE_DAYS = 4 * 366;

/** A batch with all that follows from its log and its plan. */
export interface BatchView {
  readonly batch: BatchRecord;
  readonly name: string;
  readonly cropName: string;
  readonly varietyName: string;
  readonly events: readonly EventRecord[];
  readonly state: BatchState;
  readonly progress: Progress;
  /** Work for today's round. */
  readonly round: readonly Job[];
  /** All work still to come. */
  readonly work: readonly Job[];
  /** Its ladder while it hardens, and from ten days before. */
  readonly ladder: Ladder | null;
}

/** The whole season as it stands at the application's now. */
export interface Season {
  readonly world: World;
  readonly now: Now;
  readonly tables: SeasonTables;
  /** Tables by the library's own times to come up and what the medium is measured to have had; what the house learns is measured with these. */
  readonly plainTables: SeasonTables;
  /** What the media of heated places had. */
  readonly measured: MeasuredPlaces;
  /** What each counted batch has taught. */
  readonly taught: readonly BatchTaught[];
  /** Crops as plans go by: with the house's own times when it learns. */
  readonly crops: readonly CropRecord[];
  readonly batches: readonly BatchView[];
  /** The site's weather; null where a season is worked out without it. */
  readonly site: Site | null;
}

interface Held {
  world?: World;
  reading?: { readonly revision: string; readonly world: Promise<World | null> };
  season?: Season;
  measured?: { readonly key: string; readonly value: MeasuredPlaces };
  site?: { readonly key: string; readonly value: Promise<Site> };
}
const held = ((globalThis as unknown as Record<string, Held>)[`crookSeason ${import.meta.url}`] ??= {});

/**
 * The season, worked out anew only when something was written or the day changed.
 * @throws ProblemError 503 when the nursery has not been set up
 */
export async function readSeason(): Promise<Season> {
  const marks = await readMarks(database());
  const world = await currentWorld(marks);
  const now = nowAt(world.nursery);
  const measured = await currentMeasured(world, now);
  const site = await currentSite(world, now, marks);
  const known = held.season;
  if (
    known &&
    known.world === world &&
    known.now.today === now.today &&
    known.measured === measured &&
    known.site === site
  )
    return { ...known, now };
  const season = workOut(world, now, held.season ?? null, measured, site);
  held.season = season;
  return season;
}

/** What the media of heated places had by the hour: read anew each hour of the application's clock. */
async function currentMeasured(world: World, now: Now): Promise<MeasuredPlaces> {
  const key = `${Math.floor(now.instant_ms / 3_600_000)} ${world.nursery.timeZone} ${world.places.length}`;
  if (held.measured?.key !== key)
    held.measured = { key, value: await readMeasured(database(), world.nursery.timeZone, now.instant_ms) };
  return held.measured.value;
}

const NOTHING_MEASURED: MeasuredPlaces = new Map();

/** The site's weather: read anew when some of it was written, its covers or its place changed, or the day did. */
async function currentSite(world: World, now: Now, marks: Marks): Promise<Site> {
  const { outside, latitude_deg, timeZone } = world.nursery;
  const key = JSON.stringify([marks.site, now.today, outside, latitude_deg, timeZone, world.covers]);
  if (held.site?.key !== key) {
    const reading = readSite(database(), world, now, key, marks.weather);
    held.site = { key, value: reading };
    void reading.catch(() => held.site?.key === key && delete held.site);
  }
  return held.site.value;
}

async function currentWorld({ revision }: Marks): Promise<World> {
  const db = database();
  if (held.world?.revision === revision) return held.world;
  // Two who ask at once after a write wait for the same reading.
  if (held.reading?.revision !== revision) {
    const reading = { revision, world: readWorld(db, held.world ?? null) };
    held.reading = reading;
    void reading.world.catch(() => undefined).finally(() => held.reading === reading && delete held.reading);
  }
  const world = await held.reading!.world;
  if (!world)
    throw new ProblemError(503, 'Not set up yet', 'Start the application with bin/start, which sets up a nursery.');
  held.world = world;
  return world;
}

/** After a write: works the season out before the next page asks for it. Failing is left to that page. */
export function readAhead(): void {
  void readSeason().catch(() => undefined);
}

/**
 * Works the season out from what is written. Pure but for its arguments. A batch is taken over from the season before
 * when neither it, its log, the books, what is learned of its crop nor the day have changed.
 */
export function workOut(
  world: World,
  now: Now,
  before: Season | null = null,
  measured: MeasuredPlaces = NOTHING_MEASURED,
  site: Site | null = null,
): Season {
  const same = before !== null && before.now.today === now.today && booksOf(before.world) === booksOf(world);
  const sameSite = same && before.site === site;
  const newTables = () => seasonTables(world.places, climateStart(now.today), TABLE_DAYS, world.nursery.outside);
  const tables = same ? before.tables : newTables();
  const plainTables =
    same && before.measured === measured
      ? before.plainTables
      : seasonTables(world.places, climateStart(now.today), TABLE_DAYS, world.nursery.outside, measured);
  const taught = taughtBy(world, plainTables);
  const learned = cropsToPlanBy(world, taught, same ? before.crops : null);
  const unlike = new Set(same ? learned.filter((crop, i) => crop !== before.crops[i]).map((crop) => crop.id) : []);
  const known = new Map(same ? before.batches.map((view) => [view.batch.id, view]) : []);
  const crops = new Map(learned.map((crop) => [crop.id, crop]));
  const varieties = new Map(world.varieties.map((variety) => [variety.id, variety]));
  const containers = new Map(world.containers.map((container) => [container.id, container]));
  const factors = new Map<string, number>();
  const factorOf = ({ cropId, varietyId, lotId }: BatchRecord): number => {
    const key = `${cropId} ${varietyId} ${lotId}`;
    const factor = factors.get(key) ?? emergenceFactor(world, taught, { cropId, varietyId, lotId });
    factors.set(key, factor);
    return factor;
  };
  const batches = world.batches.map((written): BatchView => {
    const events = world.events.get(written.id) ?? NO_EVENTS;
    const last = known.get(written.id);
    const emergence_factor = factorOf(written);
    if (
      last &&
      (sameSite || !WEATHERED.has(last.state.phase)) &&
      last.batch.version === written.version &&
      last.events === events &&
      !unlike.has(written.cropId) &&
      (last.batch.plan.emergence_factor ?? 1) === emergence_factor
    )
      return last;
    const batch = emergence_factor === 1 ? written : { ...written, plan: { ...written.plan, emergence_factor } };
    const crop = crops.get(batch.cropId)!;
    const varietyName = batch.varietyId === null ? '' : (varieties.get(batch.varietyId)?.name ?? '');
    const { state } = reduceLog(events);
    const { offHeat } = world.nursery;
    const progress = batchProgress({ crop, plan: batch.plan, state, offHeat, tables, containers, today: now.today });
    const { potting } = world.nursery;
    const startsOn =
      progress.forecast.kind === 'chain' ? (milestoneOf(progress.forecast, 'harden')?.day ?? null) : null;
    const ladder = site ? ladderOf({ plan: batch.plan, crop, state, world, site, tables, startsOn }) : null;
    const input = {
      batchId: batch.id,
      plan: batch.plan,
      state,
      progress,
      containers,
      potting,
      ...(ladder ? { ladder } : {}),
    };
    return {
      batch,
      name: batchName(crop.name, varietyName, batch.letter),
      cropName: crop.name,
      varietyName,
      events,
      state,
      progress,
      round: roundOf(input, now.today),
      work: workOf(input),
      ladder,
    };
  });
  return { world, now, tables, plainTables, measured, taught, crops: learned, batches, site };
}

/** Phases whose work hangs on the weather. */
const WEATHERED: ReadonlySet<BatchState['phase']> = new Set(['growing', 'potted', 'hardening']);
const NO_EVENTS: readonly EventRecord[] = [];
const booksKnown = new WeakMap<World, string>();

/** All a batch is worked out from besides itself and its log, as one text to compare. */
function booksOf(world: World): string {
  let books = booksKnown.get(world);
  if (books === undefined) {
    const { crops, varieties, places, containers, nursery } = world;
    books = JSON.stringify([
      crops,
      varieties,
      places,
      containers,
      nursery.offHeat,
      nursery.outside,
      nursery.learning,
      nursery.offHeatCool,
      nursery.potting,
      nursery.planting,
      world.programmes,
      world.covers,
    ]);
    booksKnown.set(world, books);
  }
  return books;
}

/** How a batch is called: crop, variety, letter. */
export function batchName(crop: string, variety: string, letter: string): string {
  const capital = crop.charAt(0).toUpperCase() + crop.slice(1);
  return [capital, variety, letter].filter(Boolean).join(' ');
}

/** One batch of a season, or a 404 problem. */
export function batchIn(season: Season, id: number): BatchView {
  const view = season.batches.find((b) => b.batch.id === id);
  if (!view) throw new ProblemError(404, 'No such batch', `There is no batch number ${id}.`);
  return view;
}
