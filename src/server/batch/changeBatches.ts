import { ageOfWrite_ms, inTransaction } from '../../db/inTransaction.ts';
import { randomUUID } from 'node:crypto';
import { batchInputOf, describeChange, newBatch, requireKnown, requireNear } from './batchInput.ts';
import { hashOf } from '../requestHash.ts';
import type { Transaction } from 'sequelize';
import { isoFromDay, requireDay } from '../../core/calendar/dayNumber.ts';
import { isInUse } from '../../core/books/inUse.ts';
import type { BatchEvent, EventKind } from '../../core/batch/event.ts';
import { reduceLog, splitSnapshot, type BatchState } from '../../core/batch/reduce.ts';
import { daysOf } from '../../core/plan/schedule/chain.ts';
import { placeOfStage } from '../../core/plan/stage.ts';
import { type BatchPlan } from '../../core/plan/batchPlan.ts';
import type { BatchInput, BatchPatch, EventInput, SplitInput } from '../../contracts/batch/batches.ts';
import type { BatchToMake } from '../../contracts/plan/planning.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import type { BatchRecord, EventRecord } from '../../core/batch/record.ts';
import {
  batchByKey,
  eventByKey,
  holdKey,
  insertBatch,
  insertEvent,
  keepPlanned,
  lockBatch,
  updateBatch,
  type NewEvent,
} from '../../db/batch/batches.ts';
import { holdSeasons, seasonWithDay } from '../../db/house/seasons.ts';
import { insertStockMoves, stockOfEvents } from '../../db/potting/potting.ts';
import { readEvents } from '../../db/house/world.ts';
import { writeSetPoints } from '../heat/writeSetPoints.ts';
import { database } from '../database.ts';
import { readForLog, readSeason } from '../plan/season.ts';
import { type Season } from '../../core/plan/season.ts';
import { WORDS } from '../../words/en/batch/changeBatches.ts';

/** Makes a batch. The same key twice makes it once and answers with the one there is. */
export async function createBatch({
  idempotencyKey,
  setPoints,
  ...input
}: BatchToMake): Promise<{ batch: BatchRecord; repeated: boolean }> {
  const { world, now } = await readSeason();
  requireKnown(world, input, now.today);
  const requestHash = hashOf(input);
  return inTransaction(database(), async (transaction) => {
    const known = await batchByKey(idempotencyKey, transaction);
    if (known) {
      if (known.requestHash !== requestHash) throw fieldProblem('idempotencyKey', WORDS.thisKeyWasUsedFor);
      return { batch: known.batch, repeated: true };
    }
    if (setPoints.length > 0) await writeSetPoints(setPoints, world, transaction);
    const made = { ...newBatch(input), idempotencyKey, requestHash };
    return { batch: await insertBatch(database(), made, transaction), repeated: false };
  });
}

/** Changes a batch's plan if it is still the version read; the change is written to its log as well. */
export async function patchBatch(id: number, patch: BatchPatch): Promise<BatchRecord> {
  const { world, now } = await readSeason();
  return inTransaction(database(), async (transaction) => {
    if (patch.transplantOn !== undefined) await holdSeasons(database(), transaction);
    const before = await lockBatch(id, transaction);
    if (!before) throw missing(id);
    if (before.version !== patch.version) throw stale(before, patch);
    const { version: _version, ...changes } = patch;
    // Another date, place or tray makes the days named for the work void, unless new ones are sent along.
    const moved = MOVING.some((key) => changes[key] !== undefined);
    const was = batchInputOf(before);
    const input: BatchInput = { ...was, ...changes, steps: changes.steps ?? (moved ? {} : was.steps) };
    requireKnown(world, input, now.today, was);
    if (input.cropId !== before.cropId) throw fieldProblem('cropId', WORDS.aBatchKeepsItsCrop);
    const made = newBatch(input);
    const { transplantOn } = made.plan;
    const seasonId =
      transplantOn === before.plan.transplantOn
        ? before.seasonId
        : await seasonWithDay(database(), before.seasonId, transplantOn, transaction);
    const after = await updateBatch(id, before.version, { ...made, seasonId }, transaction);
    if (!after) throw stale(before, patch);
    const said = describeChange(batchInputOf(before), batchInputOf(after));
    if (said) {
      await insertEvent({ ...logLine(id, 'edited', now.today, now.instant_ms), note: said }, transaction);
    }
    return after;
  });
}

/** Parts of a plan from which its days follow. */
const MOVING = [
  'transplantOn',
  'hardening_days',
  'places',
  'sowContainerId',
  'potContainerId',
  'joins',
  'age_frac',
  'offHeat',
] as const;

/** What became of a log post: written now, or written before under the same key. */
export interface Logged {
  readonly eventId: number;
  readonly repeated: boolean;
}

/** Writes a line to a batch's log, if it can follow those before. The same key twice writes once. */
export async function logEvent(batchId: number, input: EventInput): Promise<Logged> {
  // The dates planned for a batch are kept when it begins: they are those of the season as it stands.
  const season = await (BEGINS.has(input.kind) || input.kind === 'withdrawn' ? readSeason() : readForLog());
  const { world, now } = season;
  const requestHash = hashOf({ batchId, ...input });
  const day = requireDay(input.day);
  if (day > now.today) throw fieldProblem('day', WORDS.logWhatHasHappenedIs(input.day));
  requireNear('day', input.day, now.today);
  if (input.placeId !== null) {
    const place = world.places.find((one) => one.id === input.placeId);
    if (!place) throw fieldProblem('placeId', WORDS.thereIsNoSuchPlace);
    // A line of the time before may be put right.
    if (!isInUse(place) && input.correctsId === null)
      throw fieldProblem('placeId', WORDS.wasRetiredChooseAnotherOr(place.name));
  }
  const coverId = input.planting?.coverId ?? null;
  if (coverId !== null && !world.covers.some((cover) => cover.id === coverId))
    throw fieldProblem('planting.coverId', WORDS.thereIsNoSuchCover);
  if (input.kind === 'withdrawn' && input.correctsId === null) {
    throw fieldProblem('correctsId', WORDS.sayWhichLineIsWithdrawn);
  }
  return inTransaction(database(), async (transaction) => {
    const batch = await lockBatch(batchId, transaction);
    if (!batch) throw missing(batchId);
    const repeated = await repeatedKey(input.idempotencyKey, requestHash, transaction);
    if (repeated !== null) return { eventId: repeated, repeated: true };
    const events = await readEvents(database(), batchId, transaction);
    const event: NewEvent = {
      batchId,
      kind: input.kind,
      day,
      count: input.count,
      placeId: input.placeId ?? placeByKind(input.kind, batch.plan),
      note: input.note,
      cause: input.cause,
      correctsId: input.correctsId,
      snapshot: null,
      tray: input.tray,
      // A correction keeps the container and the rest of what a potting came to.
      details: input.kind === 'withdrawn' ? null : (events.find((e) => e.id === input.correctsId)?.details ?? null),
      planting:
        input.kind === 'withdrawn'
          ? null
          : (input.planting ?? events.find((e) => e.id === input.correctsId)?.planting ?? null),
      idempotencyKey: input.idempotencyKey,
      requestHash,
      recordedAt_ms: now.instant_ms,
      ...tappedAt(ageOfWrite_ms(), now.instant_ms),
    };
    requireFollows(events, event);
    const eventId = await insertEvent(event, transaction);
    await keepPlanOf(season, batch, events, event, transaction);
    if (event.kind === 'withdrawn') await giveBack(lineage(events, event.correctsId!), eventId, day, transaction);
    return { eventId, repeated: false };
  });
}

/** Sooner than this it did not wait; a device that was away longer has a clock that was changed. */
const WAITED_ms = 60_000;
const LONGEST_AWAY_ms = 100 * 86_400_000;

/** When a line that waited on a device was tapped. @param age_ms how long ago, by the device; null: it does not say */
export function tappedAt(age_ms: number | null, now_ms: number): { tappedAt_ms?: number | null } {
  if (age_ms === null || Math.abs(age_ms) < WAITED_ms) return {};
  return { tappedAt_ms: age_ms > 0 && age_ms <= LONGEST_AWAY_ms ? now_ms - age_ms : null };
}

/** When what is written now was tapped: now, or as long ago as it waited on a device. */
export const tappedOrNow = (now_ms: number): number => tappedAt(ageOfWrite_ms(), now_ms).tappedAt_ms ?? now_ms;

const BEGINS: ReadonlySet<string> = new Set(['sown', 'arrived']);

/** When a batch is sown or comes, the dates planned for it are kept; when that line is withdrawn, they are let go. */
async function keepPlanOf(
  season: Season,
  batch: BatchRecord,
  events: readonly EventRecord[],
  event: NewEvent,
  transaction: Transaction,
): Promise<void> {
  const withdrawn = event.kind === 'withdrawn' && events.find((e) => e.id === event.correctsId)?.kind;
  if (withdrawn && BEGINS.has(withdrawn)) return keepPlanned(batch.id, null, transaction);
  if (!BEGINS.has(event.kind) || batch.planned !== null) return;
  const planned = season.batches.find((view) => view.batch.id === batch.id)?.progress.planned;
  if (planned?.kind === 'chain') await keepPlanned(batch.id, daysOf(planned), transaction);
}

/** A line and all those it replaced. */
export function lineage(events: readonly EventRecord[], id: number): number[] {
  const before = events.find((e) => e.id === id)?.correctsId ?? null;
  return before === null ? [id] : [...lineage(events, before), id];
}

/** What a withdrawn potting had taken out of the stock goes back in. */
async function giveBack(
  withdrawn: readonly number[],
  eventId: number,
  day: number,
  transaction: Transaction,
): Promise<void> {
  const taken = await stockOfEvents(database(), withdrawn, transaction);
  await insertStockMoves(
    database(),
    [...taken].map(([itemId, amount]) => ({
      itemId,
      kind: 'corrected' as const,
      amount: -amount,
      day,
      note: WORDS.pottingWithdrawn,
      eventId,
      key: `withdrawn ${eventId} ${itemId}`,
    })),
    transaction,
  );
}

/** Splits plants off into a batch of their own, which goes on from the state of the first. */
export async function splitBatch(id: number, input: SplitInput): Promise<{ batchId: number; repeated: boolean }> {
  const { now } = await readSeason();
  const requestHash = hashOf({ id, ...input });
  const day = requireDay(input.day);
  if (day > now.today) throw fieldProblem('day', WORDS.aSplitIsLoggedWhen(input.day));
  return inTransaction(database(), async (transaction) => {
    const batch = await lockBatch(id, transaction);
    if (!batch) throw missing(id);
    const repeated = await repeatedKey(`${input.idempotencyKey}/in`, requestHash, transaction);
    if (repeated !== null) {
      const before = (await eventByKey(`${input.idempotencyKey}/in`, transaction))!;
      return { batchId: before.batchId, repeated: true };
    }
    if (batch.version !== input.version) throw stale(batch, input);
    const events = await readEvents(database(), id, transaction);
    const { state } = reduceLog(events);
    return {
      batchId: await splitIn(batch, state, events, input, day, requestHash, now.instant_ms, transaction),
      repeated: false,
    };
  });
}

export async function splitIn(
  batch: BatchRecord,
  state: BatchState,
  events: readonly EventRecord[],
  input: SplitInput,
  day: number,
  requestHash: string,
  recordedAt_ms: number,
  transaction: Transaction,
): Promise<number> {
  const present = state.phase === 'planned' ? batch.plan.plantsWanted : state.alive_count!;
  if (input.count >= present) throw fieldProblem('count', WORDS.splitOffFewerThanThe(present));
  const share = input.count / present;
  const wanted = Math.min(batch.plan.plantsWanted - 1, Math.max(1, Math.round(batch.plan.plantsWanted * share)));
  if (wanted < 1) throw fieldProblem('count', WORDS.onePlantCannotBeSplit);
  const part: BatchPlan = {
    ...batch.plan,
    plantsWanted: wanted,
    transplantOn: input.transplantOn ? requireDay(input.transplantOn) : batch.plan.transplantOn,
  };
  const rest: BatchPlan = {
    ...batch.plan,
    plantsWanted: batch.plan.plantsWanted - wanted,
  };
  const made = await insertBatch(
    database(),
    { ...batch, plan: part, note: input.note, splitFromId: batch.id },
    transaction,
  );
  const base = { requestHash, recordedAt_ms };
  if (state.phase !== 'planned') {
    const out: NewEvent = {
      ...logLine(batch.id, 'split-out', day, recordedAt_ms),
      ...base,
      count: input.count,
      note: WORDS.to(made.code),
      idempotencyKey: `${input.idempotencyKey}/out`,
    };
    requireFollows(events, out);
    await insertEvent(out, transaction);
    await insertEvent(
      {
        ...logLine(made.id, 'split-in', day, recordedAt_ms),
        ...base,
        count: input.count,
        placeId: state.placeId,
        note: WORDS.from(batch.code),
        snapshot: splitSnapshot(state),
        idempotencyKey: `${input.idempotencyKey}/in`,
      },
      transaction,
    );
  } else {
    const note = {
      ...logLine(made.id, 'note', day, recordedAt_ms),
      ...base,
      note: WORDS.splitFromBeforeSowing(batch.code),
    };
    await insertEvent({ ...note, idempotencyKey: `${input.idempotencyKey}/in` }, transaction);
  }
  const changed = await updateBatch(batch.id, batch.version, { ...batch, plan: rest }, transaction);
  if (!changed) throw stale(batch, input);
  return made.id;
}

/** Refuses an event that cannot follow, with the field at fault. */
export function requireFollows(events: readonly EventRecord[], event: NewEvent): void {
  if (event.correctsId !== null) requireCorrectable(events, event);
  const trial: BatchEvent = { ...event, id: Number.MAX_SAFE_INTEGER };
  const { refusal } = reduceLog([...events, trial]);
  if (!refusal) return;
  if (refusal.event.id === trial.id) throw fieldProblem(refusal.field, sentence(refusal.reason));
  throw fieldProblem(
    refusal.field,
    WORDS.withThisTheLineOf(refusal.event.kind, isoFromDay(refusal.event.day), refusal.reason),
  );
}

function requireCorrectable(events: readonly EventRecord[], event: NewEvent): void {
  const target = events.find((e) => e.id === event.correctsId);
  if (!target) throw fieldProblem('correctsId', WORDS.thatLineIsNotIn);
  if (target.kind === 'withdrawn' || ['split-out', 'split-in', 'edited', 'voided', 'restored'].includes(target.kind)) {
    throw fieldProblem('correctsId', WORDS.thatLineCannotBeCorrected);
  }
  if (event.kind !== 'withdrawn' && event.kind !== target.kind) {
    throw fieldProblem('kind', WORDS.aLineOfTheKind(target.kind));
  }
  const by = events.find((e) => e.correctsId === event.correctsId);
  if (by) {
    throw new ProblemError(409, WORDS.correctedAlready, WORDS.someoneHasCorrectedThisLine, {
      current: by,
      yours: event,
    });
  }
}

export async function repeatedKey(key: string, requestHash: string, transaction: Transaction): Promise<number | null> {
  await holdKey(key, transaction);
  const known = await eventByKey(key, transaction);
  if (!known) return null;
  if (known.requestHash !== requestHash) {
    throw fieldProblem('idempotencyKey', WORDS.thisKeyWasUsedForAnother);
  }
  return known.id;
}

const PLACE_OF: Readonly<Partial<Record<EventKind, keyof BatchPlan['places']>>> = {
  sown: 'germinate',
  arrived: 'grow',
  'off-heat': 'grow',
  potted: 'pot',
  'hardening-started': 'harden',
};

function placeByKind(kind: EventKind, plan: BatchPlan): number | null {
  const stage = PLACE_OF[kind];
  if (kind === 'spaced') return placeOfStage(plan.places, 'space');
  return stage ? (plan.places[stage] ?? null) : null;
}

/** A line of the log with nothing in it yet but what it is about. */
export function logLine(batchId: number, kind: EventKind, day: number, recordedAt_ms: number): NewEvent {
  const key = randomUUID();
  return {
    batchId,
    kind,
    day,
    count: null,
    placeId: null,
    note: '',
    cause: '',
    correctsId: null,
    snapshot: null,
    idempotencyKey: key,
    requestHash: key,
    recordedAt_ms,
  };
}

export function missing(id: number): ProblemError {
  return new ProblemError(404, WORDS.noSuchBatch, WORDS.thereIsNoBatchNumber(id));
}

export function stale(current: BatchRecord, yours: unknown): ProblemError {
  return new ProblemError(409, WORDS.changedBySomeoneElse, WORDS.someoneChangedThisSinceYou, {
    current: { ...batchInputOf(current), version: current.version },
    yours,
  });
}

const sentence = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
