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

export async function run(
  db: Sequelize,
  sql: string,
  bind: readonly unknown[] = [],
  transaction: In = null,
): Promise<Row[]> {
  const [found] = await db.query(sql, { bind: bind as unknown[], transaction });
  return found as Row[];
}

export const ms = (value: unknown): number | null => (value === null ? null : new Date(value as string).getTime());
