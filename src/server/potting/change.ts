import { inTransaction } from '../../db/inTransaction.ts';
import { requireDay } from '../../core/calendar/dayNumber.ts';
import type { PottingDetails } from '../../core/batch/event.ts';
import { reduceLog } from '../../core/batch/reduce.ts';
import { layersOf } from '../../core/potting/pot.ts';
import type {
  MarkInput,
  OutcomeInput,
  PottingSettingsInput,
  SessionInput,
  SessionLineInput,
  SessionPatch,
  SessionRecord,
  SessionView,
  StockMoveInput,
} from '../../contracts/potting/potting.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import { insertEvent, lockBatch, updateBatch, type NewEvent } from '../../db/batch/batches.ts';
import {
  insertMark,
  insertSession,
  insertStockMoves,
  readMarks,
  readSession,
  readStockMoves,
  stockOfEvents,
  updatePotting,
  updateSession,
} from '../../db/potting/potting.ts';
import type { In } from '../../db/sql.ts';
import { readEvents } from '../../db/house/world.ts';
import { hashOf } from '../requestHash.ts';
import {
  lineage,
  logLine,
  missing,
  repeatedKey,
  requireFollows,
  splitIn,
  tappedOrNow,
  type Logged,
} from '../batch/changeBatches.ts';
import { database } from '../database.ts';
import { batchIn, readSeason } from '../plan/season.ts';
import { onHandNow, thingsFor } from './stock.ts';
import { readPhotoSums } from '../../db/germination/photoCounts.ts';
import { lineFor, sessionView } from './view.ts';
import { WORDS } from '../../words/en/potting/change.ts';

const FIRST_HANDS = WORDS.firstHand;

export async function sessionOr404(id: number, transaction: In = null): Promise<SessionRecord> {
  const session = await readSession(database(), id, transaction);
  if (!session) throw new ProblemError(404, WORDS.noSuchSession, WORDS.thereIsNoPottingSession(id));
  return session;
}

/** A session with all that follows from it, as it stands now, or as it would with one more batch in it. */
export async function viewSession(id: number, withBatch: number | null = null): Promise<SessionView> {
  const season = await readSeason();
  let session = await sessionOr404(id);
  if (withBatch !== null && !session.lines.some((l) => l.batchId === withBatch))
    session = { ...session, lines: [...session.lines, lineFor(season, batchIn(season, withBatch))] };
  const batchIds = session.lines.map(({ batchId }) => batchId);
  const [marks, moves, photos] = await Promise.all([
    readMarks(database(), id),
    readStockMoves(database()),
    readPhotoSums(database(), batchIds),
  ]);
  return sessionView(season, session, marks, onHandNow(season.world, moves), photos, Date.now());
}

/** Makes a session of the batches chosen. The same key again makes no other. */
export async function makeSession(input: SessionInput): Promise<{ id: number }> {
  const season = await readSeason();
  const lines = [...new Set(input.batchIds)].map((id) => {
    const view = batchIn(season, id);
    if (!['emerged', 'growing', 'potted'].includes(view.state.phase))
      throw fieldProblem('batchIds', WORDS.isOnlyWhatIsUp(view.name, view.state.phase));
    return lineFor(season, view);
  });
  const on = input.on === undefined ? season.now.today : requireDay(input.on);
  const id = await insertSession(database(), { on, people: [FIRST_HANDS], lines }, input.idempotencyKey);
  return { id };
}

/** Changes a session that nobody has changed since it was read; what is done in it stays in it. */
export async function saveSession(id: number, patch: SessionPatch): Promise<SessionView> {
  const { world } = await readSeason();
  const before = await viewSession(id);
  patch.lines.forEach((line, i) => requireLine(world, line, `lines.${i}`));
  for (const { batchId, outcome, name } of before.lines)
    if (outcome && !patch.lines.some((l) => l.batchId === batchId))
      throw fieldProblem('lines', WORDS.isPottedInThisSession(name));
  const { version, on, people, lines, closed } = patch;
  const done = await updateSession(database(), id, version, { on: requireDay(on), people, lines, closed });
  const after = await viewSession(id);
  if (!done)
    throw new ProblemError(409, WORDS.changedBySomeoneElse, WORDS.someoneChangedThisSessionSince, {
      current: after,
      yours: patch,
    });
  return after;
}

function requireLine(world: Awaited<ReturnType<typeof readSeason>>['world'], line: SessionLineInput, path: string) {
  const has = (list: readonly { id: number }[], id: number | null) => id === null || list.some((x) => x.id === id);
  const container = world.containers.find((c) => c.id === line.containerId);
  if (!container || container.kind === 'seed-tray') throw fieldProblem(`${path}.containerId`, WORDS.chooseAPotCellsOr);
  if (!has(world.batches, line.batchId)) throw fieldProblem(`${path}.batchId`, WORDS.thereIsNoSuchBatch);
  if (!has(world.mixes, line.mixId)) throw fieldProblem(`${path}.mixId`, WORDS.thereIsNoSuchMix);
  if (!has(world.mixes, line.baseMixId)) throw fieldProblem(`${path}.baseMixId`, WORDS.thereIsNoSuchMix);
  if (!has(world.places, line.placeId)) throw fieldProblem(`${path}.placeId`, WORDS.thereIsNoSuchPlace);
  try {
    layersOf(container, line.baseMixId === null ? 0 : line.base_mm);
  } catch (error) {
    if (error instanceof RangeError) throw fieldProblem(`${path}.base_mm`, `${error.message}.`);
    throw error;
  }
}

/** A tap on the timer of a batch, by the clock on the wall. */
export async function markTimer(id: number, input: MarkInput): Promise<SessionView> {
  const session = await sessionOr404(id);
  if (!session.lines.some((l) => l.batchId === input.batchId)) throw fieldProblem('batchId', WORDS.thatBatchIsNotIn);
  const { batchId, kind, idempotencyKey } = input;
  await insertMark(database(), { sessionId: id, batchId, kind, at_ms: tappedOrNow(Date.now()) }, idempotencyKey);
  return viewSession(id);
}

/** Writes what the potting of a batch came to: its log, its plan, the stock, all or nothing. The same key writes once. */
export async function logOutcome(sessionId: number, input: OutcomeInput): Promise<Logged> {
  const season = await readSeason();
  const { world, now } = season;
  const day = requireDay(input.day);
  if (day > now.today) throw fieldProblem('day', WORDS.logWhatHasHappenedIs(input.day));
  const requestHash = hashOf({ sessionId, ...input });
  return inTransaction(database(), async (transaction) => {
    const session = await sessionOr404(sessionId, transaction);
    const line = session.lines.find((l) => l.batchId === input.batchId);
    if (!line) throw fieldProblem('batchId', WORDS.thatBatchIsNotIn);
    let batch = await lockBatch(input.batchId, transaction);
    if (!batch) throw missing(input.batchId);
    const repeated = await repeatedKey(input.idempotencyKey, requestHash, transaction);
    if (repeated !== null) return { eventId: repeated, repeated: true };
    let events = await readEvents(database(), batch.id, transaction);
    let { state } = reduceLog(events);
    const replaced = events.find((e) => e.id === input.correctsId);
    let { leftOver } = input;
    if (input.keepRest && leftOver > 0 && !replaced) {
      const split = {
        idempotencyKey: input.idempotencyKey,
        version: batch.version,
        day: input.day,
        count: leftOver,
        note: '',
      };
      await splitIn(batch, state, events, split, day, requestHash, now.instant_ms, transaction);
      leftOver = 0;
      batch = (await lockBatch(batch.id, transaction))!;
      events = await readEvents(database(), batch.id, transaction);
      ({ state } = reduceLog(events));
    }
    const container = world.containers.find((c) => c.id === line.containerId)!;
    const last = container.kind === 'pot' || container.id === batch.plan.potContainerId;
    const kind = replaced?.kind ?? (state.facts.pot === undefined && last ? 'potted' : 'moved-on');
    const { doubled, culled, minutes, people } = input;
    const details: PottingDetails = {
      containerId: replaced?.details?.containerId ?? line.containerId,
      doubled,
      culled,
      leftOver,
      minutes,
      people,
      sessionId,
    };
    const event: NewEvent = {
      ...logLine(batch.id, kind, day, now.instant_ms),
      count: input.potted,
      placeId: replaced ? replaced.placeId : line.placeId,
      details,
      correctsId: input.correctsId,
      idempotencyKey: input.idempotencyKey,
      requestHash,
    };
    requireFollows(events, event);
    const eventId = await insertEvent(event, transaction);
    if (kind === 'potted' && batch.plan.potContainerId === null) {
      const plan = {
        ...batch.plan,
        potContainerId: line.containerId,
        places: { ...batch.plan.places, pot: line.placeId },
      };
      await updateBatch(batch.id, batch.version, { ...batch, plan }, transaction);
      await insertEvent(
        { ...logLine(batch.id, 'edited', day, now.instant_ms), note: WORDS.pot(container.name) },
        transaction,
      );
    }
    const before = replaced
      ? await stockOfEvents(database(), lineage(events, replaced.id), transaction)
      : new Map<number, number>();
    const things = thingsFor(world, { ...line, plants: input.potted });
    await insertStockMoves(
      database(),
      [...new Set([...things.keys(), ...before.keys()])]
        .map((itemId) => ({
          itemId,
          kind: replaced ? ('corrected' as const) : ('used' as const),
          amount: -(things.get(itemId) ?? 0) - (before.get(itemId) ?? 0),
          day,
          note: WORDS.pottingBatch(batch.code),
          eventId,
          key: `${input.idempotencyKey} ${itemId}`,
        }))
        .filter((move) => Math.abs(move.amount) > 1e-9),
      transaction,
    );
    return { eventId, repeated: false };
  });
}

/** A count, a delivery or something used by hand in the stock's log. */
export async function moveStock(input: StockMoveInput): Promise<void> {
  const { world, now } = await readSeason();
  if (!world.stock.some((s) => s.id === input.itemId)) throw fieldProblem('itemId', WORDS.thereIsNoSuchThing);
  const { kind, itemId, note, idempotencyKey } = input;
  const amount = kind === 'used' ? -input.amount : input.amount;
  const move = { itemId, kind, amount, day: now.today, note, eventId: null, key: idempotencyKey };
  await inTransaction(database(), async (transaction) => insertStockMoves(database(), [move], transaction));
}

export async function writePotting({ version, ...settings }: PottingSettingsInput): Promise<void> {
  const { world } = await readSeason();
  for (const key of ['mixId', 'baseMixId', 'sowMixId'] as const)
    if (settings[key] !== null && !world.mixes.some((m) => m.id === settings[key]))
      throw fieldProblem(key, WORDS.thereIsNoSuchMix);
  if (settings.feedId !== null && !world.feeds.some((feed) => feed.id === settings.feedId))
    throw fieldProblem('feedId', WORDS.thereIsNoSuchFeed);
  if (await updatePotting(version, settings)) return;
  const { world: current } = await readSeason();
  throw new ProblemError(409, WORDS.changedBySomeoneElse, WORDS.someoneChangedTheSettingsSince, {
    current: { ...current.nursery.potting, version: current.nursery.version },
    yours: { ...settings, version },
  });
}
