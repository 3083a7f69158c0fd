import { connect } from '../src/db/connect.ts';
import { migrateUp } from '../src/db/migrate.ts';
import { log } from '../src/server/log.ts';
import { prepareJobs } from '../src/server/house/jobs.ts';
import { whatIsThere } from '../src/db/house/whatIsThere.ts';
import { insertKey, readAccess } from '../src/db/house/access.ts';
import type { Config } from '../src/server/config.ts';
import { hashOfKey, mustSignIn } from '../src/server/house/caller.ts';
import { setUp } from './setUp.ts';
import { demoSeed, emptySeed } from './seeds.ts';

/**
 * Brings a database up to date and sets up a nursery where there is none.
 * @param flags --empty: begin without the demo; --reset-demo: the demo as on its first day; --demo: the demo where no nursery
 *   was begun
 * @throws Error when a real nursery would have to be overwritten
 */
export async function prepare(config: Config, flags: ReadonlySet<string>): Promise<void> {
  const { databaseUrl } = config;
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
    await prepareOwner(db, config);
  } finally {
    await db.close();
  }
}

/** How long the link of bin/start --owner works, minutes. */
const OWNER_LINK_min = 60;

/** Where others can reach it, somebody must be able to sign in: else whoever comes first would own it. */
async function prepareOwner(db: ReturnType<typeof connect>, { host, ownerKey }: Config): Promise<void> {
  const { asked } = await readAccess(db, null);
  if (ownerKey !== null)
    await insertKey(db, { keyHash: hashOfKey(ownerKey), purpose: 'owner', personId: null, minutes: OWNER_LINK_min });
  if (asked || !mustSignIn() || ownerKey !== null) return;
  throw new Error(
    `others could reach it (HOST=${host}, or through a proxy) and it has no owner yet. Start it with "bin/start --owner": that prints a link which works once, and with it you make the owner`,
  );
}
