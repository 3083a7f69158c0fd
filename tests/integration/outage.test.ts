import { execFile, spawn } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { afterAll, describe, expect, it } from 'vitest';
import { connect } from '../../src/db/connect.ts';
import { demoDatabase, freePort, key, newDatabase, send, startApp, type App } from '../support/app.ts';

const root = new URL('../..', import.meta.url).pathname;
const run = promisify(execFile);
const folders: string[] = [];
afterAll(() => folders.forEach((folder) => rmSync(folder, { recursive: true, force: true })));

function folder(): string {
  const dir = mkdtempSync(join(tmpdir(), 'crook-outage.'));
  chmodSync(dir, 0o755);
  folders.push(dir);
  return dir;
}

const until = async (test: () => Promise<boolean>): Promise<void> => {
  for (let i = 0; i < 300; i++) {
    if (await test().catch(() => false)) return;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new Error('waited in vain');
};

describe('a process busy with sums while it connects', () => {
  it('does not take its own delay for a database that is away', async () => {
    const db = connect(await newDatabase());
    const asked = db.authenticate();
    // The connection is asked for; then nothing else runs for longer than any sum of the season takes.
    await new Promise((resolve) => setImmediate(resolve));
    const until_ms = Date.now() + 5_000;
    while (Date.now() < until_ms);
    await expect(asked).resolves.toBeUndefined();
    await db.close();
  });
});

describe('the database stopped in mid-use', () => {
  it('gives a clear page and problem, loses nothing, and recovers by itself', async () => {
    const dir = folder();
    const port = await freePort();
    const cluster = async (what: string) => {
      const own = process.getuid?.() === 0 ? `chown postgres '${dir}';` : '';
      const script = `set -e; cd '${root}'; . bin/lib.sh; find_postgres; ${own} PG_PORT=${port}; ${what}`;
      return (await run('bash', ['-c', script])).stdout.trim();
    };
    const base = await cluster(`make_cluster '${dir}'; start_cluster '${dir}'; echo "$PG_URL"`);
    const url = await newDatabase(base);
    await cluster(`"$PG_BIN/pg_dump" '${await demoDatabase()}' | "$PG_BIN/psql" -X -q -o /dev/null '${url}'`);
    const app: App = await startApp([], url);
    try {
      const line = { idempotencyKey: key(), kind: 'note', day: '2027-04-12', note: 'before the cut' };
      expect((await send(app, 'POST', '/api/batch/1/events', line)).status).toBe(201);
      await cluster(`stop_cluster '${dir}'`);
      const page = await fetch(app.url);
      expect(page.status).toBe(503);
      expect(await page.text()).toMatch(/The database is away[\s\S]*Nothing is lost/);
      const away = await send(app, 'POST', '/api/batch/1/events', { ...line, idempotencyKey: key() });
      expect([away.status, away.body.title]).toEqual([503, 'The database is away']);
      expect((await send(app, 'GET', '/api/house/health')).body).toMatchObject({ ok: false, database: 'away' });
      await cluster(`start_cluster '${dir}'`);
      await until(async () => (await fetch(app.url)).status === 200);
      const log = (await send(app, 'GET', '/api/batch/1')).body.log;
      expect(log.filter((e: { note: string }) => e.note === 'before the cut')).toHaveLength(1);
    } finally {
      expect(await app.stop(), app.log().slice(-2_000)).toBe(0);
      await cluster(`stop_cluster '${dir}'`);
    }
  });
});

describe('bin/start', () => {
  const start = (env: Record<string, string>, args: string[] = []) => {
    const child = spawn('bash', ['bin/start', ...args], {
      cwd: root,
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let out = '';
    let err = '';
    child.stdout.on('data', (chunk: Buffer) => (out += chunk.toString()));
    child.stderr.on('data', (chunk: Buffer) => (err += chunk.toString()));
    const ended = new Promise<number | null>((resolve) => child.on('exit', resolve));
    return { child, ended, out: () => out, err: () => err };
  };

  it('a port already taken: says so, says what to do, and leaves nothing running', async () => {
    const state = folder();
    const taken = createServer();
    const port = await freePort();
    await new Promise<void>((resolve) => taken.listen(port, '127.0.0.1', resolve));
    const { ended, err } = start({ CROOK_STATE: state, PORT: String(port) });
    expect(await ended).not.toBe(0);
    expect(err()).toMatch(new RegExp(`port ${port} is taken; set PORT`));
    taken.close();
    expect(existsSync(join(state, 'pg/data/postmaster.pid'))).toBe(false);
  });

  it('goes on from a half-finished earlier start, ends with the address, starts empty, and stops what it started', async () => {
    const state = folder();
    // A first start cut off in the middle of making the database, and the note of a process long gone.
    const script = `. bin/lib.sh; mkdir -p '${state}/pg/data/base'; touch '${state}/pg/data/PG_VERSION'`;
    await run('bash', ['-c', script], { cwd: root });
    writeFileSync(join(state, 'start.pid'), '999999');
    const port = await freePort();
    const { child, ended, out, err } = start({ CROOK_STATE: state, PORT: String(port) }, ['--empty']);
    await until(async () => out().includes('http'));
    expect(out(), err()).toBe(`http://127.0.0.1:${port}\n`);
    const batches = await (await fetch(`http://127.0.0.1:${port}/api/batch`)).json();
    expect(batches).toEqual([]);
    expect(await (await fetch(`http://127.0.0.1:${port}/`)).text()).toContain('Your nursery in five answers');
    // Who only wants to look has the demo in its place: the server ends and comes again with it, and never a second time.
    const nursery = async () =>
      (await (await fetch(`http://127.0.0.1:${port}/api/house/nursery`)).json()) as {
        demoClock: object | null;
      };
    expect((await nursery()).demoClock).toBeNull();
    const ask = () =>
      fetch(`http://127.0.0.1:${port}/api/house/begin/demo`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', origin: `http://127.0.0.1:${port}` },
        body: '{}',
      });
    expect((await ask()).status).toBe(202);
    await until(async () => (await nursery()).demoClock !== null);
    expect((await ask()).status).toBe(409);
    const refused = start({ CROOK_STATE: state, PORT: String(port) });
    expect(await refused.ended).toBe(1);
    expect(refused.err()).toMatch(/already started/);
    child.kill('SIGTERM');
    await ended;
    expect(existsSync(join(state, 'pg/data/postmaster.pid'))).toBe(false);
    await expect(fetch(`http://127.0.0.1:${port}/`)).rejects.toThrow();
  });

  it('does not know every word', async () => {
    const { ended, err } = start({ CROOK_STATE: folder() }, ['--fast']);
    expect(await ended).toBe(1);
    expect(err()).toMatch(/does not know --fast/);
  });
});
