import { inTransaction, somebodyWrites } from './inTransaction.ts';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';

export type Db = Sequelize;
export type Row = Record<string, unknown>;
export type In = Transaction | null;

export async function rows(
  db: Sequelize,
  sql: string,
  bind: readonly unknown[] = [],
  transaction: In = null,
): Promise<Row[]> {
  return db.query<Row>(sql, { bind: bind as unknown[], type: QueryTypes.SELECT, transaction });
}

/** Writes; by itself in a transaction of its own, so that it carries the name of whoever writes. */
export async function run(
  db: Sequelize,
  sql: string,
  bind: readonly unknown[] = [],
  transaction: In = null,
): Promise<Row[]> {
  if (transaction === null && somebodyWrites()) return inTransaction(db, (own) => run(db, sql, bind, own));
  const [found] = await db.query(sql, { bind: bind as unknown[], transaction });
  return found as Row[];
}

export const ms = (value: unknown): number | null => (value === null ? null : new Date(value as string).getTime());
