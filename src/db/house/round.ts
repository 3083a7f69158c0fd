import { Op, type Sequelize, type Transaction } from 'sequelize';
import { isoFromDay, requireDay } from '../../core/calendar/dayNumber.ts';
import type { HouseJobRecord } from '../../core/house/houseJob.ts';
import type { RoundLine } from '../../core/house/roundLine.ts';
import type { World } from '../../core/house/world.ts';
import { PlaceModel } from '../books/models.ts';
import { HouseJobModel, RoundLineModel } from './models.ts';

/** Lines older than this, counted from the newest, say nothing of a round; of jobs done once they go on saying that they are done. */
const KEEP_days = 400;
/** Lines with numbers given out at the same time may be committed out of order, but not by more than this. */
const LATE_lines = 200;

/** The house's own jobs, and what is written of the round; of the lines, which only grow, just those are read that `known` does not hold. */
export async function readRound(
  db: Sequelize,
  known: World | null,
  transaction: Transaction,
): Promise<Pick<World, 'houseJobs' | 'roundLines'>> {
  const jobs = await HouseJobModel.findAll({ raw: true, transaction, order: ['id'] });
  return { houseJobs: jobs.map(jobRecord), roundLines: await readLines(db, known?.roundLines ?? [], transaction) };
}

async function readLines(
  db: Sequelize,
  known: readonly RoundLine[],
  transaction: Transaction,
): Promise<readonly RoundLine[]> {
  const last = known.at(-1)?.id ?? 0;
  if (last === 0) {
    const newest = (await RoundLineModel.max<string, RoundLineModel>('on', { transaction })) ?? null;
    if (newest === null) return known;
    const once = db.literal('(SELECT id FROM house_jobs WHERE every_days IS NULL)');
    const where = {
      [Op.or]: [{ on: { [Op.gte]: isoFromDay(requireDay(newest) - KEEP_days) } }, { houseJobId: { [Op.in]: once } }],
    };
    return (await RoundLineModel.findAll({ raw: true, transaction, where, order: ['id'] })).map(lineRecord);
  }
  const from = last - LATE_lines;
  const rows = await RoundLineModel.findAll({
    raw: true,
    transaction,
    where: { id: { [Op.gt]: from } },
    order: ['id'],
  });
  const before = known.filter(({ id }) => id > from);
  if (rows.length === before.length && rows.every(({ id }, i) => id === before[i]!.id)) return known;
  return [...known.filter(({ id }) => id <= from), ...rows.map(lineRecord)];
}

function jobRecord(row: HouseJobModel): HouseJobRecord {
  return { ...row, firstOn: requireDay(row.firstOn), lastOn: row.lastOn === null ? null : requireDay(row.lastOn) };
}

function lineRecord({ idempotencyKey: _key, requestHash: _hash, on, recordedAt, ...row }: RoundLineModel): RoundLine {
  const { id, kind, jobKey, forPersonId, minutes, work, trays, look, note, correctsId, authorId } = row;
  return {
    id,
    kind,
    jobKey,
    on: requireDay(on),
    forPersonId,
    minutes,
    work,
    trays,
    look,
    note,
    correctsId,
    authorId,
    recordedAt_ms: recordedAt.getTime(),
  };
}

/** A line of the round still to be written. */
export type NewRoundLine = Omit<RoundLine, 'id' | 'authorId' | 'recordedAt_ms'> & {
  readonly houseJobId: number | null;
  readonly idempotencyKey: string;
  readonly requestHash: string;
  readonly waited: boolean;
  readonly tappedAt_ms: number | null;
};

/** The line already written under a key, with what was asked for then; null: none. */
export async function roundLineByKey(
  idempotencyKey: string,
  transaction: Transaction,
): Promise<{ readonly id: number; readonly requestHash: string } | null> {
  const row = await RoundLineModel.findOne({ raw: true, where: { idempotencyKey }, transaction });
  return row && { id: row.id, requestHash: row.requestHash };
}

/** Lines of one job, in order, as they stand for who holds its lock. */
export async function linesOfJob(jobKey: string, transaction: Transaction): Promise<RoundLine[]> {
  return (await RoundLineModel.findAll({ raw: true, where: { jobKey }, order: ['id'], transaction })).map(lineRecord);
}

/** One writer at a time for a job of the round, until the transaction ends. */
export async function lockJob(db: Sequelize, jobKey: string, transaction: Transaction): Promise<void> {
  await db.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 29))', { bind: [jobKey], transaction });
}

export async function insertRoundLine(
  { on, tappedAt_ms, ...line }: NewRoundLine,
  transaction: Transaction,
): Promise<number> {
  const row = await RoundLineModel.create(
    { ...line, on: isoFromDay(on), tappedAt: tappedAt_ms === null ? null : new Date(tappedAt_ms) },
    { transaction },
  );
  return row.id;
}

/** A place of the walk as it is written. */
export interface WalkLine {
  readonly id: number;
  readonly door: string;
  readonly level: number;
}

/**
 * Puts places in walking order, with their doors and levels, if they still stand in the order they were read in.
 * @param was numbers of all places in the order read
 * @returns false when somebody else was first
 */
export async function writeWalk(
  was: readonly number[],
  walk: readonly WalkLine[],
  transaction: Transaction,
): Promise<boolean> {
  const rows = await PlaceModel.findAll({
    order: ['walkOrder', 'id'],
    lock: transaction.LOCK.UPDATE,
    transaction,
  });
  if (rows.map(({ id }) => id).join() !== was.join()) return false;
  for (const [i, { id, door, level }] of walk.entries()) {
    const row = rows.find((one) => one.id === id)!;
    if (row.walkOrder === i + 1 && row.door === door && row.level === level) continue;
    await row.update({ walkOrder: i + 1, door, level, version: row.version + 1 }, { transaction });
  }
  return true;
}
