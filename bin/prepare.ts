import { connect } from '../src/db/connect.ts';
import { migrateUp } from '../src/db/migrate.ts';
import { log } from '../src/server/log.ts';
import { prepareJobs } from '../src/server/house/jobs.ts';
import { whatIsThere } from '../src/db/house/whatIsThere.ts';
import { setUp } from './setUp.ts';
import { demoSeed, emptySeed } from './seeds.ts';

/**
 * Brings a database up to date and sets up a nursery where there is none.
 * @param flags --empty: begin without the demo; --reset-demo: the demo as on its first day; --demo: the demo where no nursery
 *   was begun
 * @throws Error when a real nursery would have to be overwritten
 */
export async function prepare(databaseUrl: string, flags: ReadonlySet<string>): Promise<void> {
  const db = connect(databaseUrl);
  try {
    const done = await migrateUp(db);
    if (done.length > 0) log.info({ migrations: done }, 'database brought up to date');
    await prepareJobs(databaseUrl);
    const there = await whatIsThere();
    if (flags.has('--reset-demo') && (there === 'nursery' || there === 'not begun')) {
      throw new Error('--reset-demo: this database holds a real nursery, which is never overwritten');
    }
    if (flags.has('--empty') && there !== 'nursery' && there !== 'not begun') await setUp(db, emptySeed(), Date.now());
    else if (there === 'nothing' || flags.has('--reset-demo')) await setUp(db, await demoSeed(), Date.now());
    else if (flags.has('--demo') && there === 'not begun') await setUp(db, await demoSeed(), Date.now(), true);
  } finally {
    await db.close();
  }
}
