import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import type { Sequelize } from 'sequelize';

/** So many tries of a kind in so many seconds; further ones are refused for as long as `rest_s` says. */
export interface Limit {
  readonly name: string;
  readonly tries: number;
  readonly within_s: number;
  readonly rest_s: number;
}

const held = new WeakMap<Sequelize, Map<string, RateLimiterPostgres>>();

/** Counted in the database, so that a start counts on and two servers count together. */
function limiter(db: Sequelize, { name, tries, within_s, rest_s }: Limit): RateLimiterPostgres {
  const known = held.get(db) ?? new Map<string, RateLimiterPostgres>();
  held.set(db, known);
  const there =
    known.get(name) ??
    new RateLimiterPostgres({
      storeClient: db,
      tableName: 'rate_limits',
      tableCreated: true,
      keyPrefix: name,
      points: tries,
      duration: within_s,
      blockDuration: rest_s,
    });
  known.set(name, there);
  return there;
}

/** Counts a try. @returns seconds to wait where there were too many; 0: go on */
export async function countTry(db: Sequelize, limit: Limit, key: string): Promise<number> {
  try {
    await limiter(db, limit).consume(key.slice(0, 200));
    return 0;
  } catch (error) {
    if (error instanceof RateLimiterRes) return Math.max(1, Math.ceil(error.msBeforeNext / 1000));
    throw error;
  }
}

/** It went well: this try does not count. */
export async function takeBackTry(db: Sequelize, limit: Limit, key: string): Promise<void> {
  await limiter(db, limit).reward(key.slice(0, 200));
}

/** It went well: the tries before are forgotten. */
export async function forgetTries(db: Sequelize, limit: Limit, key: string): Promise<void> {
  await limiter(db, limit).delete(key.slice(0, 200));
}
