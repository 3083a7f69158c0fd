import { Op, type Sequelize, type Transaction } from 'sequelize';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { BatchEvent } from '../../core/batch/event.ts';
import { type BatchPlan, writtenPlan } from '../../core/plan/batchPlan.ts';
import { shortCode } from '../../core/batch/shortCode.ts';
import type { BatchRecord } from '../../core/batch/record.ts';
import { ProblemError } from '../../contracts/problem.ts';
import { BatchEventModel, BatchModel } from './models.ts';
import { freeLetter } from '../../core/batch/letter.ts';
import { closedSeason, letterIn, requireOpenSeason, seasonForDay } from '../house/seasons.ts';
import { forgetTogether, knownTogether, knowTogether } from '../inTransaction.ts';
import { batchRecord, logOf, readEventsOf } from '../house/world.ts';
import { LOCKS } from '../locks.ts';
import { WORDS } from '../../words/en/batch/batches.ts';

/** What a batch is made of, before it has a number. */
export interface NewBatch {
  readonly cropId: number;
  readonly varietyId: number | null;
  readonly lotId: number | null;
  readonly plan: BatchPlan;
  readonly note: string;
  readonly splitFromId: number | null;
  readonly pinned?: boolean;
  /** Season it belongs to; not given: that of its day out. */
  readonly seasonId?: number;
  readonly familyId?: number | null;
  readonly resownFromId?: number | null;
  /** Key it is made under, and what was asked for under it. */
  readonly idempotencyKey?: string | null;
  readonly requestHash?: string | null;
}

/** A line to be written to the log. */
export interface NewEvent extends Omit<BatchEvent, 'id'> {
  readonly batchId: number;
  readonly idempotencyKey: string;
  readonly requestHash: string;
  /** Epoch ms by the application's clock. */
  readonly recordedAt_ms: number;
  /** When it was tapped, where it waited on a device; null: by a clock not to be trusted. */
  readonly tappedAt_ms?: number | null;
}

/** Writes a batch with its code and its letter among those of its crop and variety. */
export async function insertBatch(db: Sequelize, batch: NewBatch, transaction: Transaction): Promise<BatchRecord> {
  const seasonId = batch.seasonId ?? (await seasonForDay(db, batch.plan.transplantOn, transaction));
  await requireOpenSeason(db, seasonId, transaction);
  // One at a time, so that two made at once do not get the same letter.
  await db.query('SELECT pg_advisory_xact_lock($1)', { bind: [LOCKS.newBatch], transaction });
  const [rows] = await db.query(
    `SELECT nextval(pg_get_serial_sequence('batches', 'id'))::integer AS id,
       ARRAY(SELECT letter FROM batches WHERE season_id = $3 AND voided_at IS NULL AND crop_id = $1 AND variety_id IS NOT DISTINCT FROM $2) AS taken`,
    { bind: [batch.cropId, batch.varietyId, seasonId], transaction },
  );
  const { id, taken } = (rows as { id: number; taken: string[] }[])[0]!;
  const row = await BatchModel.create(
    {
      id,
      code: shortCode(id),
      letter: freeLetter(taken),
      seasonId,
      cropId: batch.cropId,
      varietyId: batch.varietyId,
      lotId: batch.lotId,
      ...planColumns(batch.plan),
      note: batch.note,
      splitFromId: batch.splitFromId,
      pinned: batch.pinned ?? false,
      familyId: batch.familyId ?? null,
      resownFromId: batch.resownFromId ?? null,
      idempotencyKey: batch.idempotencyKey ?? null,
      requestHash: batch.requestHash ?? null,
    },
    { transaction },
  );
  return batchRecord(row);
}

/** The batch already made under a key, if any. Two who ask at once come one after the other. */
export async function batchByKey(
  idempotencyKey: string,
  transaction: Transaction,
): Promise<{ readonly batch: BatchRecord; readonly requestHash: string | null } | null> {
  await holdKey(idempotencyKey, transaction);
  const row = await BatchModel.findOne({ where: { idempotencyKey }, transaction });
  return row ? { batch: batchRecord(row), requestHash: row.requestHash } : null;
}

/** Holds a key until the transaction ends, so that the same key sent twice at once is seen by the second. */
export async function holdKey(idempotencyKey: string, transaction: Transaction): Promise<void> {
  if (knownTogether(keyOf(idempotencyKey))) return;
  await BatchModel.sequelize!.query('SELECT pg_advisory_xact_lock($2, hashtext($1))', {
    bind: [idempotencyKey, LOCKS.callKey],
    transaction,
  });
}

/** Keeps the dates planned for a batch as they were when it was sown, or lets them go again. */
export async function keepPlanned(
  batchId: number,
  planned: BatchRecord['planned'],
  transaction: Transaction,
): Promise<void> {
  const days = planned && Object.fromEntries(Object.entries(planned).map(([key, day]) => [key, isoFromDay(day)]));
  forgetTogether(batchOf(batchId));
  await BatchModel.update({ planned: days }, { where: { id: batchId }, transaction });
}

/**
 * Reads a batch and holds it until the transaction ends. null when there is none.
 * @param voided whether one that was voided may be read as well
 * @throws ProblemError 409 when its season is closed, or it was voided
 */
export async function lockBatch(id: number, transaction: Transaction, voided = false): Promise<BatchRecord | null> {
  const known = await knownTogether<BatchRecord>(batchOf(id));
  if (known) return known;
  // The season before the batch, as closing it does: so neither waits for the other.
  const [row] = await BatchModel.sequelize!.query(
    `SELECT b.*, s.name AS season_name, s.closed_at AS season_closed_at FROM seasons s JOIN batches b ON b.season_id = s.id
     WHERE b.id = $1 FOR SHARE OF s FOR UPDATE OF b`,
    { bind: [id], transaction, model: BatchModel, mapToModel: true },
  );
  if (!row) {
    // Not there, or put into another season while this waited for it.
    const found = await BatchModel.findByPk(id, { transaction });
    if (!found) return null;
    throw new ProblemError(409, WORDS.changedBySomeoneElse, WORDS.wasJustPutIntoAnother(found.code));
  }
  const { season_name, season_closed_at } = row.dataValues as unknown as {
    season_name: string;
    season_closed_at: Date | null;
  };
  if (season_closed_at !== null) throw closedSeason(season_name);
  if (row.voidedAt !== null && !voided) throw new ProblemError(409, WORDS.voided, WORDS.wasVoidedAsMadeBy(row.code));
  return batchRecord(row);
}

const batchOf = (id: number): string => `batch ${id}`;
const keyOf = (idempotencyKey: string): string => `key ${idempotencyKey}`;

/**
 * For lines to many batches that are written together: holds these batches and keys until the transaction ends, and knows them and the
 * batches' logs, with one question each. Batches before keys and in the order of their numbers, so that two who do it do not wait for each other.
 */
export async function holdTogether(
  batchIds: readonly number[],
  keys: readonly string[],
  transaction: Transaction,
): Promise<void> {
  const db = BatchModel.sequelize!;
  const held = await db.query(
    `SELECT b.* FROM seasons s JOIN batches b ON b.season_id = s.id
     WHERE b.id = ANY($1) AND s.closed_at IS NULL AND b.voided_at IS NULL ORDER BY b.id FOR SHARE OF s FOR UPDATE OF b`,
    { bind: [batchIds], transaction, model: BatchModel, mapToModel: true },
  );
  await db.query(
    'SELECT pg_advisory_xact_lock($2, h) FROM (SELECT DISTINCT hashtext(k) AS h FROM unnest($1::text[]) k ORDER BY 1) one',
    { bind: [keys, LOCKS.callKey], transaction },
  );
  const written = await BatchEventModel.findAll({
    where: { idempotencyKey: [...keys] },
    attributes: ['id', 'batchId', 'requestHash', 'idempotencyKey'],
    raw: true,
    transaction,
  });
  const logs = await readEventsOf(
    db,
    held.map(({ id }) => id),
    transaction,
  );
  const byKey = new Map(written.map((line) => [line.idempotencyKey, line]));
  for (const key of keys) knowTogether(keyOf(key), byKey.get(key) ?? null);
  for (const row of held) {
    knowTogether(batchOf(row.id), batchRecord(row));
    knowTogether(logOf(row.id), logs.get(row.id) ?? []);
  }
}

/** Voids a batch at an instant, or brings it back (null) under a letter that is free; its version goes up. */
export async function setVoided(batch: BatchRecord, at_ms: number | null, transaction: Transaction): Promise<void> {
  const db = BatchModel.sequelize!;
  await db.query('SELECT pg_advisory_xact_lock($1)', { bind: [LOCKS.newBatch], transaction });
  forgetTogether(batchOf(batch.id));
  const letter = at_ms === null ? await letterIn(db, batch.seasonId, batch.id, transaction) : batch.letter;
  await BatchModel.update(
    { voidedAt: at_ms === null ? null : new Date(at_ms), letter, version: batch.version + 1 },
    { where: { id: batch.id }, transaction },
  );
}

/** A batch that was voided, with its name's parts and its season, by its number or its code; null: none such is voided. */
export interface VoidedBatch {
  readonly batch: BatchRecord;
  readonly voidedAt_ms: number;
}

export async function readVoided(by: { readonly id: number } | { readonly code: string }): Promise<VoidedBatch | null> {
  const row = await BatchModel.findOne({ where: { ...by, voidedAt: { [Op.ne]: null } } });
  return row ? { batch: batchRecord(row), voidedAt_ms: row.voidedAt!.getTime() } : null;
}

/** All voided batches, the last first. */
export async function readAllVoided(): Promise<VoidedBatch[]> {
  const found = await BatchModel.findAll({ where: { voidedAt: { [Op.ne]: null } }, order: [['voidedAt', 'DESC']] });
  return found.map((row) => ({ batch: batchRecord(row), voidedAt_ms: row.voidedAt!.getTime() }));
}

/** Batches that were split off from one and are not voided themselves. */
export async function splitOffFrom(id: number, transaction: Transaction): Promise<readonly string[]> {
  const found = await BatchModel.findAll({
    where: { splitFromId: id, voidedAt: null },
    attributes: ['code'],
    raw: true,
    transaction,
  });
  return found.map((row) => row.code);
}

/** Changes a batch if it still has the version it was read at; null when someone else was first. */
export async function updateBatch(
  id: number,
  version: number,
  batch: Pick<NewBatch, 'varietyId' | 'lotId' | 'plan' | 'note' | 'pinned' | 'seasonId'>,
  transaction: Transaction,
): Promise<BatchRecord | null> {
  forgetTogether(batchOf(id));
  const [, rows] = await BatchModel.update(
    {
      version: version + 1,
      varietyId: batch.varietyId,
      lotId: batch.lotId,
      ...planColumns(batch.plan),
      note: batch.note,
      pinned: batch.pinned ?? false,
      ...(batch.seasonId === undefined
        ? {}
        : { seasonId: batch.seasonId, letter: await letterIn(BatchModel.sequelize!, batch.seasonId, id, transaction) }),
    },
    { where: { id, version }, returning: true, transaction },
  );
  return rows[0] ? batchRecord(rows[0]) : null;
}

/** Writes a line to the log and returns its number. */
export async function insertEvent(event: NewEvent, transaction: Transaction): Promise<number> {
  forgetTogether(logOf(event.batchId));
  forgetTogether(keyOf(event.idempotencyKey));
  const row = await BatchEventModel.create(
    {
      ...event,
      tray: event.tray ?? null,
      details: event.details ?? null,
      planting: event.planting ?? null,
      day: isoFromDay(event.day),
      recordedAt: new Date(event.recordedAt_ms),
      waited: event.tappedAt_ms !== undefined,
      tappedAt: event.tappedAt_ms == null ? null : new Date(event.tappedAt_ms),
    },
    { transaction },
  );
  return row.id;
}

/** A line of the log, as a call that is repeated finds it. */
interface WrittenLine {
  readonly id: number;
  readonly batchId: number;
  readonly requestHash: string;
}

/** The line already written under a key, if any. */
export async function eventByKey(idempotencyKey: string, transaction: Transaction): Promise<WrittenLine | null> {
  const known = knownTogether<WrittenLine | null>(keyOf(idempotencyKey));
  if (known) return known;
  return BatchEventModel.findOne({
    where: { idempotencyKey },
    attributes: ['id', 'batchId', 'requestHash'],
    raw: true,
    transaction,
  });
}

function planColumns(plan: BatchPlan) {
  const { places, ...columns } = writtenPlan(plan);
  return {
    ...columns,
    germinatePlaceId: places.germinate,
    growPlaceId: places.grow,
    potPlaceId: places.pot,
    hardenPlaceId: places.harden,
    spacePlaceId: places.space ?? null,
  };
}
