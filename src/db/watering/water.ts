import { Op, type Sequelize, type Transaction } from 'sequelize';
import type { World } from '../../core/house/world.ts';
import type { WaterLine } from '../../core/watering/waterLine.ts';
import { WaterLineModel } from './models.ts';

/** Older lines, counted from the newest, say nothing of water today. */
const KEEP_ms = 60 * 86_400_000;
/** Lines with numbers given out at the same time may be committed out of order, but not by more than this. */
const LATE_lines = 300;

/** What is written of water; of the lines, which only grow, just those are read that `known` does not hold. */
export async function readWaterLines(known: World | null, transaction: Transaction): Promise<readonly WaterLine[]> {
  const before = known?.waterLines ?? [];
  const last = before.at(-1)?.id ?? 0;
  if (last === 0) {
    const newest = await WaterLineModel.max<Date | null, WaterLineModel>('at', { transaction });
    if (newest === null) return before;
    const where = { at: { [Op.gte]: new Date(new Date(newest).getTime() - KEEP_ms) } };
    return (await WaterLineModel.findAll({ raw: true, transaction, where, order: ['id'] })).map(lineRecord);
  }
  const from = last - LATE_lines;
  const rows = await WaterLineModel.findAll({
    raw: true,
    transaction,
    where: { id: { [Op.gt]: from } },
    order: ['id'],
  });
  const held = before.filter(({ id }) => id > from);
  if (rows.length === held.length && rows.every(({ id }, i) => id === held[i]!.id)) return before;
  return [...before.filter(({ id }) => id <= from), ...rows.map(lineRecord)];
}

const lineRecord = ({
  idempotencyKey: _key,
  requestHash: _hash,
  waited: _waited,
  at,
  ...row
}: WaterLineModel): WaterLine => ({
  ...row,
  at_ms: at.getTime(),
});

/** A line still to be written. */
export type NewWaterLine = Omit<WaterLine, 'id' | 'authorId'> & {
  readonly idempotencyKey: string;
  readonly requestHash: string;
  readonly waited: boolean;
};

/** One writer at a time for the water log, until the transaction ends. */
export async function lockWater(db: Sequelize, transaction: Transaction): Promise<void> {
  await db.query('SELECT pg_advisory_xact_lock(31, 0)', { transaction });
}

/** Lines already written under a key. */
export async function waterLinesByKey(
  idempotencyKey: string,
  transaction: Transaction,
): Promise<readonly { readonly id: number; readonly batchId: number | null; readonly requestHash: string }[]> {
  const attributes = ['id', 'batchId', 'requestHash'];
  return WaterLineModel.findAll({ raw: true, attributes, where: { idempotencyKey }, order: ['id'], transaction });
}

/** Lines of some batches since an instant, and of one line's number, as they stand for who holds the lock. */
export async function waterLinesOf(
  batchIds: readonly number[],
  since_ms: number,
  transaction: Transaction,
): Promise<WaterLine[]> {
  const where = { batchId: { [Op.in]: [...batchIds] }, at: { [Op.gte]: new Date(since_ms) } };
  return (await WaterLineModel.findAll({ raw: true, where, order: ['id'], transaction })).map(lineRecord);
}

/** A line by its number, and whether it was taken back; null: there is none. */
export async function waterLine(
  id: number,
  transaction: Transaction,
): Promise<{ readonly line: WaterLine; readonly withdrawn: boolean } | null> {
  const row = await WaterLineModel.findByPk(id, { raw: true, transaction });
  if (!row) return null;
  const withdrawn = (await WaterLineModel.count({ where: { correctsId: id }, transaction })) > 0;
  return { line: lineRecord(row), withdrawn };
}

export async function insertWaterLines(lines: readonly NewWaterLine[], transaction: Transaction): Promise<number[]> {
  const ids: number[] = [];
  for (const { at_ms, ...line } of lines) {
    const row = await WaterLineModel.create({ ...line, at: new Date(at_ms) }, { transaction });
    ids.push(row.id);
  }
  return ids;
}
