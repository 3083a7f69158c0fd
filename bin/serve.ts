import { createServer } from 'node:http';
import { existsSync } from 'node:fs';
import compression from 'compression';
import { readConfig } from '../src/server/config.ts';
import { log } from '../src/server/log.ts';
import { connect } from '../src/db/connect.ts';
import { migrateUp } from '../src/db/migrate.ts';
import { setUp, whatIsThere } from '../src/server/setup.ts';
import { demoSeed, emptySeed } from './seeds.ts';

// Started by bin/start: brings the database up to date, sets up a nursery where there is none, serves until stopped.
const config = readConfig(process.env);
const flags = new Set(process.argv.slice(2));

async function prepare(): Promise<void> {
  const db = connect(config.databaseUrl);
  try {
    const done = await migrateUp(db);
    if (done.length > 0) log.info({ migrations: done }, 'database brought up to date');
    const there = await whatIsThere();
    if (flags.has('--reset-demo') && there === 'nursery') {
      throw new Error('--reset-demo: this database holds a real nursery, which is never overwritten');
    }
    if (flags.has('--empty') && there !== 'nursery') await setUp(db, emptySeed(), Date.now());
    else if (there === 'nothing' || flags.has('--reset-demo')) await setUp(db, await demoSeed(), Date.now());
  } finally {
    await db.close();
  }
}

interface Entry {
  handler: (request: import('node:http').IncomingMessage, response: import('node:http').ServerResponse) => void;
}

async function serve(): Promise<void> {
  const entryUrl = new URL('../dist/server/entry.mjs', import.meta.url);
  if (!existsSync(entryUrl)) throw new Error('the application is not built; start it with bin/start');
  process.env['ASTRO_NODE_AUTOSTART'] = 'disabled';
  const { handler } = (await import(entryUrl.href)) as Entry;
  // Level 4: nearly as small as 6 in half the time.
  const compress = compression({ level: 4 });
  const server = createServer((request, response) => {
    compress(request as never, response as never, () => handler(request, response));
  });
  server.requestTimeout = 30_000;
  server.headersTimeout = 10_000;
  server.on('error', (error: NodeJS.ErrnoException) => {
    const why = error.code === 'EADDRINUSE' ? `port ${config.port} is taken; set PORT to another` : error.message;
    process.stderr.write(`Crook cannot start: ${why}\n`);
    process.exit(1);
  });
  server.listen(config.port, config.host, () => {
    log.info({ host: config.host, port: config.port }, 'serving');
    process.send?.('ready');
  });
  const stop = (signal: string): void => {
    log.info({ signal }, 'stopping');
    server.close(() => process.exit(0));
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 4_000).unref();
  };
  process.on('SIGTERM', () => stop('SIGTERM'));
  process.on('SIGINT', () => stop('SIGINT'));
}

try {
  await prepare();
  await serve();
} catch (error) {
  process.stderr.write(`Crook cannot start: ${(error as Error).message}\n`);
  process.exit(1);
}
