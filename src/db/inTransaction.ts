import { AsyncLocalStorage } from 'node:async_hooks';
import type { Sequelize, Transaction } from 'sequelize';

export type { Transaction };

interface Writing {
  readonly personId: number | null;
  readonly age_ms: number | null;
  /** What this is a part of; null: it stands by itself. */
  readonly within: Transaction | null;
  /** What was read once for all parts, and in whose name the last part was written; undefined: not known. */
  readonly once: { readonly read: Map<string, Promise<unknown>>; signed: number | null | undefined } | null;
}
const writing = new AsyncLocalStorage<Writing>();

/** Does work in somebody's name: every line written in it to a table that only grows says that this person wrote it. @param age_ms how long it has waited on a device */
export function writeAs<T>(personId: number | null, work: () => T, age_ms: number | null = null): T {
  const { within = null, once = null } = writing.getStore() ?? {};
  return writing.run({ personId, age_ms, within, once }, work);
}

/** Whether what is written now is somebody's. */
export const somebodyWrites = (): boolean => (writing.getStore()?.personId ?? null) !== null;

/** How long what is written now has waited on a device, as the device tells it; null: it does not say. */
export const ageOfWrite_ms = (): number | null => writing.getStore()?.age_ms ?? null;

/**
 * Does several pieces of work that each use inTransaction as parts of one: a part that fails is undone alone, and what the others wrote is
 * there once all have gone through.
 */
export function together<T>(db: Sequelize, work: (within: Transaction) => Promise<T>): Promise<T> {
  return db.transaction((within) =>
    writing.run({ personId: null, age_ms: null, within, once: { read: new Map(), signed: null } }, () => work(within)),
  );
}

/** What need be read only once for work done together; by itself, it is read. */
export function onceTogether<T>(what: string, read: () => Promise<T>): Promise<T> {
  const once = writing.getStore()?.once;
  if (!once) return read();
  const known = (once.read.get(what) as Promise<T> | undefined) ?? read();
  once.read.set(what, known);
  return known;
}

/** Keeps what was read, and is held against others, for all parts of work done together. */
export function knowTogether(what: string, value: unknown): void {
  writing.getStore()?.once?.read.set(what, Promise.resolve(value));
}

/** What is known of work done together; undefined: it is to be read. */
export function knownTogether<T>(what: string): Promise<T> | undefined {
  return writing.getStore()?.once?.read.get(what) as Promise<T> | undefined;
}

/** It is written over: read it anew. */
export function forgetTogether(what: string): void {
  writing.getStore()?.once?.read.delete(what);
}

/**
 * Does work that writes, all of it or nothing. A person the house does not know (any more) is nobody: a device may still
 * name one of a nursery that was put away.
 */
export async function inTransaction<T>(db: Sequelize, work: (transaction: Transaction) => Promise<T>): Promise<T> {
  const { personId = null, within = null, once = null } = writing.getStore() ?? {};
  const signed = once === null ? null : once.signed;
  try {
    return await db.transaction({ transaction: within }, async (transaction) => {
      if (personId !== signed) await signAs(db, personId, transaction);
      if (once) once.signed = personId;
      return work(transaction);
    });
  } catch (error) {
    // What is undone may have been the signing, or what was read since.
    if (once) {
      once.signed = undefined;
      once.read.clear();
    }
    throw error;
  }
}

/** From here on, what a transaction writes is written by this person, if the house knows one of this number who is still here; else by nobody. */
export async function signAs(db: Sequelize, personId: number | null, transaction: Transaction): Promise<void> {
  await db.query(
    `SELECT set_config('crook.person', coalesce((SELECT id::text FROM people WHERE id = $1 AND retired_on IS NULL), ''), true)`,
    { bind: [personId], transaction },
  );
}
