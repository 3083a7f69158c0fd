import { type MeasuredPlaces } from '../../core/plan/schedule/seasonTables.ts';
import { ProblemError } from '../../contracts/problem.ts';
import { readMarks, readWorld, type Marks } from '../../db/house/world.ts';
import { type World } from '../../core/house/world.ts';
import { onceTogether } from '../../db/inTransaction.ts';
import { readMeasured } from '../../db/heat/measured.ts';

import { type Site } from '../../core/weather/site.ts';
import { readSite } from '../weather/readSite.ts';
import { nowAt } from '../clock.ts';
import { type Now } from '../../core/calendar/localDay.ts';
import { database } from '../database.ts';
import { log } from '../log.ts';
import { keepWhatIsSettled } from '../house/keepEstimates.ts';

import { workOut, type BatchView, type Season } from '../../core/plan/season.ts';
import { Latest } from '../latest.ts';
import { Derived } from '../../core/numerics/remembered.ts';
import { WORDS } from '../../words/en/plan/seasonServer.ts';

/** What of the season was read and worked out last. */
class Held {
  readonly world = new Latest<World>();
  readonly measured = new Latest<MeasuredPlaces>();
  readonly site = new Latest<Site>();
  season: Season | null = null;
}
// One for the process: what bin/serve.ts loads beside the built application has this module as well, and both ask for the same season.
const held = ((globalThis as unknown as Record<string, Held>)['crookSeason'] ??= new Held());

/**
 * The season, worked out anew only when something was written or the day changed.
 * @throws ProblemError 503 when the nursery has not been set up
 */
export async function readSeason(): Promise<Season> {
  const marks = await readMarks(database());
  const written = await currentWorld(marks);
  const now = nowAt(written.nursery);
  const measured = await currentMeasured(written, now);
  const site = await currentSite(written, now, marks);
  const world = withUsualOutside(written, site);
  const known = held.season;
  if (
    known &&
    known.world === world &&
    known.now.today === now.today &&
    known.measured === measured &&
    known.site === site
  )
    return { ...known, now };
  const season = workOut(world, now, held.season, measured, site);
  sayNewFaults(season, held.season);
  const newDay = held.season?.now.today !== now.today;
  held.season = season;
  // What is settled is kept once a day, so that no later table says otherwise of it.
  if (newDay)
    void keepWhatIsSettled(database(), season).catch((error: unknown) =>
      log.error({ err: String(error) }, 'estimates not kept'),
    );
  return season;
}

/** Logs the batches that cannot be worked out, each once. */
function sayNewFaults(season: Season, before: Season | null): void {
  const said = new Map((before?.batches ?? []).map((view) => [view.batch.id, view.fault]));
  for (const { batch, fault } of season.batches)
    if (fault !== null && said.get(batch.id) !== fault)
      log.error({ batch: batch.code, err: fault }, 'a batch cannot be worked out');
}

/** What the media of heated places had by the hour: read anew each hour of the application's clock. */
async function currentMeasured({ nursery, places }: World, now: Now): Promise<MeasuredPlaces> {
  const mark = `${Math.floor(now.instant_ms / HOUR_ms)} ${nursery.timeZone} ${places.length}`;
  return held.measured.at(mark, () => readMeasured(database(), nursery.timeZone, now.instant_ms));
}
const HOUR_ms = 3_600_000;

const usualHeld = new Derived<World['nursery'], World['nursery']>();
const withUsualHeld = new Derived<World, World>();

/** The books with the usual temperatures outside: as typed, else by the years imported, else a rough guess. The same objects while neither changes. */
function withUsualOutside(world: World, { normals }: Site): World {
  if (normals === null) return world;
  const nursery = usualHeld.get(
    world.nursery,
    (): World['nursery'] => ({ ...world.nursery, outside: normals, outsideBy: 'years' }),
    [JSON.stringify(normals)],
  );
  return withUsualHeld.get(world, () => ({ ...world, nursery }), [nursery]);
}

/** The site's weather: read anew when some of it was written, its covers or its place changed, or the day did. */
async function currentSite(world: World, now: Now, marks: Marks): Promise<Site> {
  const { outside, outsideBy, latitude_deg, timeZone, exposure, climateYears, coldest_C } = world.nursery;
  const key = JSON.stringify([
    marks.site,
    now.today,
    outside,
    outsideBy,
    latitude_deg,
    timeZone,
    exposure,
    coldest_C,
    climateYears,
    world.covers,
  ]);
  return held.site.at(key, () => readSite(database(), world, now, key, marks.weather));
}

async function currentWorld({ revision }: Marks): Promise<World> {
  return held.world.at(revision, async (last) => {
    const world = await readWorld(database(), last);
    if (world) return world;
    throw new ProblemError(503, WORDS.notSetUpYet, WORDS.startTheApplicationWithBin);
  });
}

/**
 * The season as it was worked out last, where books and plans still stand as they did: for a write to a log, which reads the lines it
 * follows itself, under its lock. So that what waited on a device for a week goes out line after line without a season between.
 */
export async function readForLog(): Promise<Season> {
  const marks = await onceTogether('marks', () => readMarks(database()));
  const known = held.season;
  if (known && known.world.booksMark === marks.books && known.world.batchesMark === marks.batches) {
    const now = nowAt(known.world.nursery);
    if (now.today === known.now.today) return { ...known, now };
  }
  return readSeason();
}

/** Writes that follow each other closer than this are one. */
const AHEAD_ms = 100;
let ahead: NodeJS.Timeout | undefined;

/** After a write: works the season out before the next page asks for it. Failing is left to that page. */
export function readAhead(): void {
  clearTimeout(ahead);
  ahead = setTimeout(() => void readSeason().catch(() => undefined), AHEAD_ms).unref();
}

/** More writes follow at once: the season is worked out after them. */
export function waitWithReadAhead(): void {
  clearTimeout(ahead);
}

/** One batch of a season, or a 404 problem. */
export function batchIn(season: Season, id: number): BatchView {
  const view = season.batches.find((b) => b.batch.id === id);
  if (!view) throw new ProblemError(404, WORDS.noSuchBatch, WORDS.thereIsNoBatchNumber(id));
  return view;
}
