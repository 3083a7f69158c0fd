import { inTransaction } from '../../db/inTransaction.ts';
import type { Sequelize, Transaction } from 'sequelize';
import { isOver } from '../../core/batch/event.ts';
import { keptBatch, type KeptBatch } from '../../core/batch/keptBatch.ts';
import { localTimeAt } from '../../core/calendar/localDay.ts';
import { isoFromDay, requireDay, type DayNumber } from '../../core/calendar/dayNumber.ts';
import { heatShare_kWh } from '../../core/plan/heatShare.ts';
import { horizonDays, roomUsed } from '../../core/plan/schedule/roomUse.ts';
import type { Place } from '../../core/books/place.ts';
import type { SeasonClosing, SeasonInput, SeasonPatch, SeasonView } from '../../contracts/house/seasons.ts';
import type { SeasonRecord } from '../../core/house/seasonRecord.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import { lockBatch } from '../../db/batch/batches.ts';
import {
  countBySeason,
  dropKept,
  holdSeasons,
  insertKept,
  insertSeason,
  keepEstimates,
  lockSeason,
  moveToSeason,
  readSeasons,
  requireOpenSeason,
  seasonForDay,
  setClosed,
  updateSeason,
} from '../../db/house/seasons.ts';
import { readMarks } from '../../db/house/world.ts';
import { database } from '../database.ts';
import { readSeason } from '../plan/season.ts';
import { type BatchView, type Season } from '../../core/plan/season.ts';
import { estimatesToKeep } from './keepEstimates.ts';
import { WORDS } from '../../words/en/house/seasonsServer.ts';

/** Seasons with what is in them, the latest first. */
export async function listSeasons(): Promise<SeasonView[]> {
  const season = await readSeason();
  const counts = await countBySeason(database());
  return [...season.world.seasons].reverse().map((one) => ({
    ...one,
    batches_count: counts.get(one.id) ?? 0,
    open_count: standingIn(season, one.id).length,
  }));
}

/** The season the screens speak of: of the open ones that hold today the one that begins last, else the last open one. */
export function currentSeason(seasons: readonly SeasonRecord[], today: DayNumber): SeasonRecord | null {
  const open = seasons.filter((one) => one.closedAt_ms === null);
  return open.filter((one) => one.firstDay <= today && today <= one.lastDay).at(-1) ?? open.at(-1) ?? null;
}

/** Open seasons that are past and of which nothing stands any more: time to close them. */
export function seasonsToClose(season: Season): SeasonRecord[] {
  const { world, now } = season;
  return world.seasons.filter(
    (one) => one.closedAt_ms === null && one.lastDay < now.today && standingIn(season, one.id).length === 0,
  );
}

/** How far the clock may stand behind the latest line of the log before it is doubted, ms. */
const BEHIND_ms = 2 * 86_400_000;

/** Day of the latest line of the log, when the machine's clock stands well before it: set wrong, most likely. null: all is well. */
export function logAheadOfClock({ world, now }: Season): DayNumber | null {
  if (world.nursery.demoClock) return null;
  let latest_ms = -Infinity;
  for (const events of world.events.values())
    for (const event of events) latest_ms = Math.max(latest_ms, event.recordedAt_ms);
  return latest_ms - now.instant_ms > BEHIND_ms ? localTimeAt(latest_ms, world.nursery.timeZone).day : null;
}

export async function createSeason(input: SeasonInput): Promise<SeasonRecord> {
  const db = database();
  return inTransaction(db, async (transaction) => {
    await holdSeasons(db, transaction);
    const days = daysOf(input);
    await requireFits(db, null, { name: input.name, ...days }, transaction);
    const id = await insertSeason(db, { name: input.name, ...days }, transaction);
    return (await readSeasons(db, transaction)).find((one) => one.id === id)!;
  });
}

export async function patchSeason(id: number, patch: SeasonPatch): Promise<SeasonRecord> {
  const db = database();
  return inTransaction(db, async (transaction) => {
    const before = await seasonAt(db, id, patch.version, transaction);
    await requireOpenSeason(db, id, transaction);
    const changed = { name: patch.name, ...daysOf(patch) };
    await requireFits(db, before, changed, transaction);
    await updateSeason(db, id, changed, transaction);
    return (await readSeasons(db, transaction)).find((one) => one.id === id)!;
  });
}

/** What closing came to. */
export interface Closed {
  readonly season: SeasonRecord;
  readonly kept_count: number;
  /** Batches that still stood or were still to be sown, carried over into the season after. */
  readonly carried: readonly { readonly id: number; readonly name: string }[];
}

/**
 * Closes a season: each of its batches is folded into what is kept of it, and what it taught is kept as it was measured.
 * @throws ProblemError 409 naming the batches that still stand, unless they are to be carried over
 */
export async function closeSeason(id: number, closing: SeasonClosing): Promise<Closed> {
  for (let tries = 0; tries < MOST_TRIES; tries++) {
    const closed = await closeAsRead(id, closing, await readSeason());
    if (closed) return closed;
  }
  throw new ProblemError(409, WORDS.othersAreWriting, WORDS.theLogIsBeingWritten);
}

/** How often what was worked out may be overtaken by a line of the log before the season is held. */
const MOST_TRIES = 5;

/** Closes a season as it was worked out; null when something was written since, which must not be missing in what is kept. */
async function closeAsRead(id: number, { version, standing }: SeasonClosing, season: Season): Promise<Closed | null> {
  const db = database();
  return inTransaction(db, async (transaction) => {
    // While the season is held nothing more is written to its batches.
    const record = await seasonAt(db, id, version, transaction);
    if (record.closedAt_ms !== null)
      throw new ProblemError(409, WORDS.closedAlready, WORDS.seasonIsClosed(record.name));
    if ((await readMarks(db, transaction)).revision !== season.world.revision) return null;
    const open = standingIn(season, id);
    if (open.length > 0 && standing === 'ask') throw stillStanding(record, open);
    const next = open.length > 0 ? await seasonAfter(db, record, transaction) : null;
    if (next !== null)
      await moveToSeason(
        db,
        open.map((view) => view.batch.id),
        next,
        transaction,
      );
    const carried = new Set(open);
    const closing = season.batches.filter((view) => view.batch.seasonId === id && !carried.has(view));
    await foldInto(db, season, id, closing, transaction);
    await setClosed(db, id, season.now.instant_ms, transaction);
    return {
      season: (await readSeasons(db, transaction)).find((one) => one.id === id)!,
      kept_count: closing.length,
      carried: open.map((view) => ({ id: view.batch.id, name: view.name })),
    };
  });
}

/** Writes what is kept of batches, and what they taught. */
export async function foldInto(
  db: Sequelize,
  season: Season,
  seasonId: number,
  closing: readonly BatchView[],
  transaction: Transaction,
): Promise<void> {
  const ids = new Set(closing.map((view) => view.batch.id));
  await keepEstimates(db, estimatesToKeep(season, true, ids), transaction);
  const kept = keptOf(season, closing);
  await insertKept(db, seasonId, kept, transaction);
}

/** Opens a closed season again: its batches are worked out once more; what they taught stays as it was kept. */
export async function reopenSeason(id: number, version: number): Promise<SeasonRecord> {
  const db = database();
  return inTransaction(db, async (transaction) => {
    const record = await seasonAt(db, id, version, transaction);
    if (record.closedAt_ms === null) throw new ProblemError(409, WORDS.openAlready, WORDS.seasonIsOpen(record.name));
    await dropKept(db, id, transaction);
    await setClosed(db, id, null, transaction);
    return (await readSeasons(db, transaction)).find((one) => one.id === id)!;
  });
}

/** Puts a batch into another open season. */
export async function putIntoSeason(batchId: number, version: number, seasonId: number): Promise<void> {
  const db = database();
  await inTransaction(db, async (transaction) => {
    const batch = await lockBatch(batchId, transaction);
    if (!batch) throw new ProblemError(404, WORDS.noSuchBatch, WORDS.thereIsNoBatchNumber(batchId));
    if (batch.version !== version)
      throw new ProblemError(409, WORDS.changedBySomeoneElse, WORDS.wasChangedSinceYouOpened(batch.code));
    const season = (await readSeasons(db, transaction)).find((one) => one.id === seasonId);
    if (!season) throw fieldProblem('seasonId', WORDS.thereIsNoSuchSeason);
    if (season.closedAt_ms !== null) throw fieldProblem('seasonId', WORDS.seasonIsClosedChooseAn(season.name));
    await moveToSeason(db, [batchId], seasonId, transaction);
  });
}

/** Batches of a season that still stand or are still to be sown. A day out long past that was never sown is none of them. */
function standingIn(season: Season, seasonId: number): BatchView[] {
  const { today } = season.now;
  return season.batches.filter(
    ({ batch, state }) =>
      batch.seasonId === seasonId &&
      !isOver(state.phase) &&
      (state.phase !== 'planned' || batch.plan.transplantOn >= today),
  );
}

/** Most batches named when a season cannot be closed. */
const NAMED = 8;

function stillStanding(record: SeasonRecord, open: readonly BatchView[]): ProblemError {
  const names = open.slice(0, NAMED).map((view) => view.name);
  const more = open.length > NAMED ? WORDS.andMore(open.length - NAMED) : '';
  return new ProblemError(
    409,
    WORDS.plantsAreStillStanding,
    WORDS.ofSeasonStillStandOr(open.length, record.name, names.join(', '), more),
    { errors: open.map((view) => ({ path: `batches.${view.batch.id}`, message: WORDS.stillStands(view.name) })) },
  );
}

/** The next open season, made if there is none. */
async function seasonAfter(db: Sequelize, record: SeasonRecord, transaction: Transaction): Promise<number> {
  const later = (await readSeasons(db, transaction)).find(
    (one) => one.closedAt_ms === null && one.id !== record.id && one.lastDay > record.lastDay,
  );
  return later?.id ?? seasonForDay(db, record.lastDay + 1, transaction);
}

/** Each batch as it is kept. */
function keptOf(season: Season, closing: readonly BatchView[]): { batchId: number; kept: KeptBatch }[] {
  const places = new Map<number, Place>(season.world.places.map((place) => [place.id, place]));
  const stands = season.batches.flatMap((view) => view.progress.stands);
  const from = Math.min(season.now.today, ...stands.map((stand) => stand.from));
  const used = roomUsed(stands, from, horizonDays(stands, from));
  const usedOn = (placeId: number, day: DayNumber) => used.get(placeId)?.[day - from] ?? 0;
  const taught = new Map(season.taught.map((one) => [one.batchId, one]));
  const grown = new Map(season.grown.map((one) => [one.batchId, one]));
  return closing.map(({ batch, name, cropName, varietyName, events, state, progress }) => {
    const time = taught.get(batch.id);
    const growth = grown.get(batch.id);
    const heat_kWh = heatShare_kWh(progress.stands, places, (id) => season.tables.climateOf(id), usedOn);
    const kept = keptBatch({
      name,
      cropId: batch.cropId,
      cropName,
      varietyName,
      events,
      state,
      progress,
      wanted_count: batch.plan.plantsWanted,
      heat_kWh: heat_kWh === null ? null : Math.round(heat_kWh * 100) / 100,
      time_factor: time ? Math.exp(time.logTime) : null,
      growth_factor: growth ? Math.exp(growth.value) : null,
    });
    return { batchId: batch.id, kept };
  });
}

const daysOf = ({ firstDay, lastDay }: Pick<SeasonInput, 'firstDay' | 'lastDay'>) => ({
  firstDay: requireDay(firstDay),
  lastDay: requireDay(lastDay),
});

/** A season at the version it was read at, held until the transaction ends. */
async function seasonAt(db: Sequelize, id: number, version: number, transaction: Transaction): Promise<SeasonRecord> {
  const record = await lockSeason(db, id, transaction);
  if (!record) throw new ProblemError(404, WORDS.noSuchSeason, WORDS.thereIsNoSeasonNumber(id));
  if (record.version !== version)
    throw new ProblemError(409, WORDS.changedBySomeoneElse, WORDS.seasonWasChangedSinceYou(record.name), {
      current: record,
    });
  return record;
}

/** Refuses a name that is taken, the very days of another, and days that leave out batches of its own. */
async function requireFits(
  db: Sequelize,
  before: SeasonRecord | null,
  { name, firstDay, lastDay }: Pick<SeasonRecord, 'name' | 'firstDay' | 'lastDay'>,
  transaction: Transaction,
): Promise<void> {
  const others = (await readSeasons(db, transaction)).filter((one) => one.id !== before?.id);
  const same = others.find((one) => one.name.toLowerCase() === name.toLowerCase());
  if (same) throw fieldProblem('name', WORDS.thereIsASeasonAlready(same.name));
  const over = others.find((one) => one.firstDay === firstDay && one.lastDay === lastDay);
  if (over) throw fieldProblem('firstDay', WORDS.seasonHasTheSameFirst(over.name));
  // One that begins and ends within another would take all its batches of those days: only a season of its own does that.
  const within = others.find((one) => one.closedAt_ms !== null && one.firstDay <= firstDay && lastDay <= one.lastDay);
  if (within) throw fieldProblem('firstDay', WORDS.allItsDaysAreIn(within.name));
  if (!before) return;
  const { world } = await readSeason();
  const outside = world.batches.filter(
    ({ seasonId, plan }) => seasonId === before.id && (plan.transplantOn < firstDay || plan.transplantOn > lastDay),
  );
  const already = (day: number) => day < before.firstDay || day > before.lastDay;
  const lost = outside.filter(({ plan }) => !already(plan.transplantOn));
  if (lost.length > 0)
    throw fieldProblem(
      'lastDay',
      WORDS.ofItsBatchesGoOut(lost.length, isoFromDay(Math.min(...lost.map((b) => b.plan.transplantOn)))),
    );
}
