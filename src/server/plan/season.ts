import { type MeasuredPlaces } from '../../core/plan/schedule/seasonTables.ts';
import { ProblemError } from '../../contracts/problem.ts';
import { readMarks, readWorld, type Marks } from '../../db/house/world.ts';
import { type World } from '../../core/house/world.ts';
import { readMeasured } from '../../db/heat/measured.ts';

import { type Site } from '../../core/weather/site.ts';
import { readSite } from '../weather/readSite.ts';
import { nowAt } from '../clock.ts';
import { type Now } from '../../core/calendar/localDay.ts';
import { database } from '../database.ts';
import { log } from '../log.ts';
import { keepWhatIsSettled } from '../house/keepEstimates.ts';

import { workOut, type BatchView, type Season } from '../../core/plan/season.ts';

interface Held {
  world?: World;
  reading?: { readonly revision: string; readonly world: Promise<World | null> };
  season?: Season;
  measured?: { readonly key: string; readonly value: MeasuredPlaces };
  site?: { readonly key: string; readonly value: Promise<Site> };
}
// One for the process: what bin/serve.ts loads beside the built application has this module as well, and both ask for the same season.
const held = ((globalThis as unknown as Record<string, Held>)['crookSeason'] ??= {});

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
  const season = workOut(world, now, held.season ?? null, measured, site);
  sayNewFaults(season, held.season ?? null);
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
async function currentMeasured(world: World, now: Now): Promise<MeasuredPlaces> {
  const key = `${Math.floor(now.instant_ms / 3_600_000)} ${world.nursery.timeZone} ${world.places.length}`;
  if (held.measured?.key !== key)
    held.measured = { key, value: await readMeasured(database(), world.nursery.timeZone, now.instant_ms) };
  return held.measured.value;
}

type Nursery = World['nursery'];
const usualHeld = new WeakMap<Nursery, { readonly normals: string; readonly nursery: Nursery }>();
const withUsualHeld = new WeakMap<World, World>();

/** The books with the usual temperatures outside: as typed, else by the years imported. The same objects while neither changes. */
function withUsualOutside(world: World, site: Site): World {
  const { normals } = site;
  if (world.nursery.outside !== null || normals === null) return world;
  const text = JSON.stringify(normals);
  let usual = usualHeld.get(world.nursery);
  if (usual?.normals !== text) {
    usual = { normals: text, nursery: { ...world.nursery, outside: normals, outsideBy: 'years' } };
    usualHeld.set(world.nursery, usual);
  }
  let made = withUsualHeld.get(world);
  if (made?.nursery !== usual.nursery) withUsualHeld.set(world, (made = { ...world, nursery: usual.nursery }));
  return made;
}

/** The site's weather: read anew when some of it was written, its covers or its place changed, or the day did. */
async function currentSite(world: World, now: Now, marks: Marks): Promise<Site> {
  const { outside, latitude_deg, timeZone, exposure, climateYears, coldest_C } = world.nursery;
  const key = JSON.stringify([
    marks.site,
    now.today,
    outside,
    latitude_deg,
    timeZone,
    exposure,
    coldest_C,
    climateYears,
    world.covers,
  ]);
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

/** One batch of a season, or a 404 problem. */
export function batchIn(season: Season, id: number): BatchView {
  const view = season.batches.find((b) => b.batch.id === id);
  if (!view) throw new ProblemError(404, 'No such batch', `There is no batch number ${id}.`);
  return view;
}
