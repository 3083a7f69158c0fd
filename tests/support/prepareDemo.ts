import { demoSeed } from '../../bin/seeds.ts';
import { connect } from '../../src/db/connect.ts';
import { migrateUp } from '../../src/db/migrate.ts';
import { setUp } from '../../src/server/house/setup.ts';

// Run by app.ts: writes the demo nursery into the database named, as bin/serve.ts does at its first start.
const db = connect(process.argv[2]!);
await migrateUp(db);
await setUp(db, await demoSeed(), Date.now());
await db.close();
