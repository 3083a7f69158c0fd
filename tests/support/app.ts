import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { readdirSync, statSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import pg from 'pg';

const root = new URL('../..', import.meta.url).pathname;
let made = 0;

/** A running application on a database of its own. */
export interface App {
  readonly url: string;
  readonly databaseUrl: string;
  /** Its process. */
  readonly pid: number;
  /** Where devices call, user crook, password `MQTT_PASSWORD`. */
  mqttUrl(): Promise<string>;
  /** What it has written to its log so far. */
  log(): string;
  stop(): Promise<number | null>;
}

/** A new empty database on the tests' PostgreSQL (bin/test starts it). */
export async function newDatabase(base = process.env['CROOK_TEST_PG']): Promise<string> {
  if (!base)
    throw new Error('CROOK_TEST_PG is not set: run bin/test, or point it at a PostgreSQL you can make databases on');
  const name = `t${process.pid}_${Date.now()}_${made++}`;
  const client = new pg.Client({ connectionString: `${base}/postgres` });
  await client.connect();
  await client.query(`CREATE DATABASE ${name}`);
  await client.end();
  return `${base}/${name}`;
}

/** The newest change under what the demo is made from. */
function newest(path: string): number {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))));
}

/** Any fixed number: one at a time makes the demo. */
const MAKING_LOCK = 727_273;

/**
 * A database with the demo nursery in it, copied from one that is made once for all tests and each state of the code: an
 * application that starts on it finds what its own first start would have written.
 */
export async function demoDatabase(base = process.env['CROOK_TEST_PG']): Promise<string> {
  const url = await newDatabase(base);
  const name = new URL(url).pathname.slice(1);
  const made = `demo_${Math.round(Math.max(...['src', 'bin', 'simulators'].map((dir) => newest(join(root, dir)))))}`;
  const client = new pg.Client({ connectionString: `${base}/postgres` });
  await client.connect();
  try {
    await client.query('SELECT pg_advisory_lock($1)', [MAKING_LOCK]);
    const { rowCount } = await client.query('SELECT 1 FROM pg_database WHERE datname = $1', [made]);
    if (rowCount === 0) {
      await client.query(`DROP DATABASE IF EXISTS ${made}_half`);
      await client.query(`CREATE DATABASE ${made}_half`);
      const done = spawnSync('node', ['--import', 'tsx', 'bin/prepareOnly.ts'], {
        cwd: root,
        env: { ...process.env, DATABASE_URL: `${base}/${made}_half`, LOG_LEVEL: 'warn' },
        encoding: 'utf8',
      });
      if (done.status !== 0) throw new Error(`the demo could not be made:\n${done.stdout}${done.stderr}`);
      await client.query(`ALTER DATABASE ${made}_half RENAME TO ${made}`);
    }
    await client.query(`DROP DATABASE ${name}`);
    await client.query(`CREATE DATABASE ${name} TEMPLATE ${made}`);
  } finally {
    await client.end();
  }
  return url;
}

export async function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const server = createServer();
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number };
      server.close(() => resolve(port));
    });
  });
}

/** Starts the built application. */
export const MQTT_PASSWORD = 'for-tests-only';

export async function startApp(
  flags: readonly string[] = [],
  databaseUrl?: string,
  more: Readonly<Record<string, string>> = {},
): Promise<App> {
  // Flags begin another nursery, which the application makes by itself.
  const url = databaseUrl ?? (await (flags.length === 0 ? demoDatabase() : newDatabase()));
  const port = await freePort();
  const child: ChildProcess = spawn('node', ['--enable-source-maps', 'dist/serve/serve.mjs', ...flags], {
    cwd: root,
    env: {
      ...process.env,
      DATABASE_URL: url,
      PORT: String(port),
      HOST: '127.0.0.1',
      LOG_LEVEL: 'info',
      // As bin/start serves it; the test runner says 'test'.
      NODE_ENV: 'production',
      MQTT_PORT: '0',
      MQTT_PASSWORD,
      ...more,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let log = '';
  child.stdout!.on('data', (chunk: Buffer) => (log += chunk.toString()));
  child.stderr!.on('data', (chunk: Buffer) => (log += chunk.toString()));
  const ended = new Promise<number | null>((resolve) => child.on('exit', (code) => resolve(code)));
  await new Promise<void>((resolve, reject) => {
    const limit = setTimeout(() => reject(new Error(`the application did not come up:\n${log}`)), 60_000);
    child.stdout!.on('data', () => {
      if (!log.includes('"msg":"serving"')) return;
      clearTimeout(limit);
      resolve();
    });
    void ended.then((code) => reject(new Error(`the application ended with ${code}:\n${log}`)));
  });
  return {
    url: `http://127.0.0.1:${port}`,
    databaseUrl: url,
    pid: child.pid!,
    mqttUrl: async () => {
      for (let i = 0; i < 100; i++) {
        const line = log.split('\n').find((l) => l.includes('"msg":"devices may call"'));
        if (line) return `mqtt://127.0.0.1:${(JSON.parse(line) as { port: number }).port}`;
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
      throw new Error(`no broker came up:\n${log}`);
    },
    log: () => log,
    stop: async () => {
      child.kill('SIGTERM');
      return ended;
    },
  };
}

/** A JSON call; answers status, headers and body. */
export async function send(
  app: App,
  method: string,
  path: string,
  body?: unknown,
  headers: Record<string, string> = {},
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- answers are looked into freely by tests
): Promise<{ status: number; headers: Headers; body: any }> {
  const response = await fetch(app.url + path, {
    method,
    headers: { ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
    ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
  });
  const text = await response.text();
  const isJson = (response.headers.get('content-type') ?? '').includes('json');
  return { status: response.status, headers: response.headers, body: isJson ? JSON.parse(text) : text };
}

let keys = 0;
export const key = (): string => `test-key-${process.pid}-${Date.now()}-${keys++}`;
