import { AsyncLocalStorage } from 'node:async_hooks';
import type { Sequelize, Transaction } from 'sequelize';

const writing = new AsyncLocalStorage<number>();

/** Does work in somebody's name: every line written in it to a table that only grows says that this person wrote it. */
export function writeAs<T>(personId: number | null, work: () => T): T {
  return personId === null ? work() : writing.run(personId, work);
}

/**
 * Does work that writes, all of it or nothing. A person the house does not know (any more) is nobody: a device may still
 * name one of a nursery that was put away.
 */
export async function inTransaction<T>(db: Sequelize, work: (transaction: Transaction) => Promise<T>): Promise<T> {
  return db.transaction(async (transaction) => {
    const personId = writing.getStore();
    if (personId !== undefined) await signAs(db, personId, transaction);
    return work(transaction);
  });
}

/** From here on, what a transaction writes is written by this person, if the house knows one of this number who is still here. */
export async function signAs(db: Sequelize, personId: number, transaction: Transaction): Promise<void> {
  await db.query(`SELECT set_config('crook.person', id::text, true) FROM people WHERE id = $1 AND retired_on IS NULL`, {
    bind: [personId],
    transaction,
  });
}
