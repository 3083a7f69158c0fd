import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { ping } from '../../db/books/books.ts';
import { pendingMigrations } from '../../db/migrate.ts';
import { database } from '../database.ts';
import { databaseIsAway } from '../edge.ts';
import { readSeason } from '../plan/season.ts';

export interface Health {
  readonly ok: boolean;
  readonly database: 'up' | 'away';
  readonly pendingMigrations: readonly string[];
  readonly clock: {
    readonly instant: string;
    readonly today: string;
    readonly source: 'machine' | 'demo';
  } | null;
}

/** Whether the application can work, and by which clock. */
export async function readHealth(): Promise<Health> {
  try {
    await ping(database());
    const pending = await pendingMigrations(database());
    if (pending.length > 0)
      return {
        ok: false,
        database: 'up',
        pendingMigrations: pending,
        clock: null,
      };
    const { world, now } = await readSeason();
    const clock = {
      instant: new Date(now.instant_ms).toISOString(),
      today: isoFromDay(now.today),
      source: world.nursery.demoClock ? ('demo' as const) : ('machine' as const),
    };
    return { ok: true, database: 'up', pendingMigrations: pending, clock };
  } catch (error) {
    if (!databaseIsAway(error)) throw error;
    return { ok: false, database: 'away', pendingMigrations: [], clock: null };
  }
}
