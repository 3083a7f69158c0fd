import { LOCKS } from '../locks.ts';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { PlaceModel, PlaceSetPointModel } from '../books/models.ts';

/** A change of the plan as written. `before` and `after` are what the use case put there. */
export interface PlanChangeRow {
  readonly id: number;
  readonly words: string;
  readonly before: unknown;
  readonly after: unknown;
  readonly undoes_id: number | null;
  readonly request_hash: string;
  readonly done_at: Date;
  readonly undone: boolean;
  readonly author_id: number | null;
}

const COLUMNS = `c.id, c.words, c.before, c.after, c.undoes_id, c.request_hash, c.done_at, c.author_id,
  EXISTS (SELECT 1 FROM plan_changes u WHERE u.undoes_id = c.id) AS undone`;

/** One change, by its number or by its key; null when there is none. */
export async function readPlanChange(
  db: Sequelize,
  by: { readonly id: number } | { readonly key: string },
  transaction: Transaction,
): Promise<PlanChangeRow | null> {
  const [column, value] = 'id' in by ? ['id', by.id] : ['idempotency_key', by.key];
  const rows = await db.query<PlanChangeRow>(`SELECT ${COLUMNS} FROM plan_changes c WHERE c.${column} = $1`, {
    bind: [value],
    type: QueryTypes.SELECT,
    transaction,
  });
  return rows[0] ?? null;
}

export async function listPlanChanges(db: Sequelize, most: number): Promise<PlanChangeRow[]> {
  return db.query<PlanChangeRow>(`SELECT ${COLUMNS} FROM plan_changes c ORDER BY c.id DESC LIMIT $1`, {
    bind: [most],
    type: QueryTypes.SELECT,
  });
}

export async function insertPlanChange(
  db: Sequelize,
  change: { key: string; hash: string; words: string; before: unknown; after: unknown; undoesId: number | null },
  transaction: Transaction,
): Promise<number> {
  const [rows] = await db.query(
    `INSERT INTO plan_changes (idempotency_key, request_hash, words, before, after, undoes_id)
     VALUES ($1, $2, $3, $4, $5, $6) RETURNING id`,
    {
      bind: [
        change.key,
        change.hash,
        change.words,
        JSON.stringify(change.before),
        JSON.stringify(change.after),
        change.undoesId,
      ],
      transaction,
    },
  );
  return (rows as { id: number }[])[0]!.id;
}

/** Only one changes the plan of the season at a time. */
export async function lockPlan(db: Sequelize, transaction: Transaction): Promise<void> {
  await db.query('SELECT pg_advisory_xact_lock($1)', { bind: [LOCKS.plan], transaction });
}

export async function nextFamily(db: Sequelize, transaction: Transaction): Promise<number> {
  const rows = await db.query<{ n: number }>(`SELECT nextval('batch_families')::integer AS n`, {
    type: QueryTypes.SELECT,
    transaction,
  });
  return rows[0]!.n;
}

export interface WeekRow {
  readonly week: string;
  readonly setPoint_C: number | null;
}

/** Set-points of a place for the weeks named; a week without one is not in the answer. */
export async function readWeeks(
  placeId: number,
  weeks: readonly string[],
  transaction: Transaction,
): Promise<WeekRow[]> {
  const rows = await PlaceSetPointModel.findAll({
    where: { placeId, week: [...weeks] },
    raw: true,
    transaction,
    order: ['week'],
  });
  return rows.map(({ week, setPoint_C }) => ({ week, setPoint_C }));
}

/**
 * Changes a place if it still has its version: its room, and the set-points of weeks (`clear` takes weeks out first).
 * false when someone else was first.
 */
export async function changePlace(
  placeId: number,
  version: number,
  change: { clear: readonly string[]; weeks: readonly WeekRow[]; room_trays?: number },
  transaction: Transaction,
): Promise<boolean> {
  const { clear, weeks, room_trays } = change;
  const [changed] = await PlaceModel.update(
    { version: version + 1, ...(room_trays === undefined ? {} : { room_trays }) },
    { where: { id: placeId, version }, transaction },
  );
  if (changed === 0) return false;
  await PlaceSetPointModel.destroy({ where: { placeId, week: [...clear] }, transaction });
  await PlaceSetPointModel.bulkCreate(
    weeks.map((row) => ({ ...row, placeId })),
    { transaction },
  );
  return true;
}
