import { execFileSync } from 'node:child_process';
import pg from 'pg';
import { afterAll, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Sequelize } from 'sequelize';
import { connect } from '../../src/db/connect.ts';
import { inTransaction } from '../../src/db/inTransaction.ts';
import { askForJob } from '../../src/db/house/jobs.ts';
import { migrateUp } from '../../src/db/migrate.ts';
import { clearFailed, prepareJobs, startJobs, type Job, type Jobs } from '../../src/server/house/jobs.ts';
import { newDatabase } from '../support/app.ts';

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

describe('jobs beside the pages', () => {
  let url: string;
  let db: Sequelize;
  const started: Jobs[] = [];
  const start = async (jobs: Parameters<typeof startJobs>[1], every_ms?: Parameters<typeof startJobs>[3]) => {
    const one = await startJobs(url, jobs, (name) => askForJob(db, name), every_ms);
    started.push(one);
    return one;
  };
  const waiting = async () => {
    const [found] = await db.query('SELECT key FROM graphile_worker.jobs ORDER BY key');
    return (found as { key: string }[]).map(({ key }) => key);
  };
  beforeAll(async () => {
    url = await newDatabase();
    db = connect(url);
    await migrateUp(db);
    await prepareJobs(url);
  });
  afterAll(() => db.close());
  beforeEach(async () => {
    await Promise.all(started.splice(0).map((one) => one.stop()));
    await db.query('DELETE FROM graphile_worker._private_jobs');
  });

  it('of one job never two run at once, on two servers; asked for while it runs, it is done once more', async () => {
    let running = 0;
    let most = 0;
    let done = 0;
    const alarms: Job = async () => {
      most = Math.max(most, ++running);
      await pause(250);
      running--;
      done++;
    };
    await Promise.all([start({ alarms }), start({ alarms })]);
    await askForJob(db, 'alarms');
    await vi.waitFor(() => expect(running).toBe(1), { timeout: 5_000, interval: 10 });
    await askForJob(db, 'alarms');
    await askForJob(db, 'alarms');
    await vi.waitFor(() => expect(done).toBe(2), { timeout: 8_000 });
    await pause(400);
    expect({ most, done }).toEqual({ most: 1, done: 2 });
  });

  it('a job that waits for later is brought forward, never put off', async () => {
    await askForJob(db, 'tiers', 60_000);
    await askForJob(db, 'tiers', 3_600_000);
    const [rows] = await db.query(
      `SELECT extract(epoch FROM run_at - now()) AS s FROM graphile_worker.jobs WHERE key = 'tiers'`,
    );
    expect(rows).toHaveLength(1);
    expect(Number((rows as { s: string }[])[0]!.s)).toBeLessThan(61);
    const tiers = vi.fn(async () => {});
    const jobs = await start({ tiers });
    const once = jobs.done('tiers', 5_000);
    await askForJob(db, 'tiers');
    await once;
    expect(tiers).toHaveBeenCalled();
    await vi.waitFor(async () => expect(await waiting()).toEqual([]), { timeout: 5_000 });
  });

  it('one slow job holds up no other, and no transaction is open while it waits', async () => {
    let release = () => {};
    const forecast: Job = () => new Promise<void>((resolve) => (release = resolve));
    const alarms = vi.fn(async () => {});
    await start({ forecast, alarms });
    await askForJob(db, 'forecast');
    await pause(300);
    await askForJob(db, 'alarms');
    await vi.waitFor(() => expect(alarms).toHaveBeenCalled(), { timeout: 5_000 });
    const [open] = await db.query(
      `SELECT count(*)::int AS n FROM pg_stat_activity
       WHERE datname = current_database() AND state LIKE 'idle in transaction%'`,
    );
    expect(open).toEqual([{ n: 0 }]);
    release();
  });

  it('a job that fails is kept and tried again; one asked for in what is rolled back is not done', async () => {
    let tries = 0;
    await start({
      retention: async () => {
        if (++tries === 1) throw new Error('the disk was full');
      },
    });
    await expect(
      inTransaction(db, async (transaction) => {
        await askForJob(db, 'retention', 0, transaction);
        throw new Error('rolled back');
      }),
    ).rejects.toThrow('rolled back');
    await pause(400);
    expect(tries).toBe(0);
    await askForJob(db, 'retention');
    // The failure is written after the job has failed, and stays until it is tried again.
    await vi.waitFor(
      async () => {
        const [rows] = await db.query(`SELECT last_error FROM graphile_worker.jobs WHERE key = 'retention'`);
        expect(rows).toEqual([{ last_error: 'the disk was full' }]);
      },
      { timeout: 5_000 },
    );
    await vi.waitFor(() => expect(tries).toBe(2), { timeout: 15_000 });
  });

  it('goes on by itself when the database threw it out: at the start, while it waits, and while a job runs', async () => {
    const thrownOut = () =>
      db.query(
        `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = current_database() AND pid <> pg_backend_pid()`,
      );
    const asked = () => askForJob(db, 'alarms').catch(() => askForJob(db, 'alarms'));
    let done = 0;
    const alarms = vi.fn(async () => {
      await pause(150);
      done++;
    });
    await start({ alarms });
    for (const wait_ms of [0, 300, 900]) {
      const before = done;
      await pause(wait_ms);
      await thrownOut();
      await pause(200);
      await asked();
      await vi.waitFor(() => expect(done).toBeGreaterThan(before), { timeout: 20_000 });
    }
    const calls = alarms.mock.calls.length;
    await asked();
    await vi.waitFor(() => expect(alarms.mock.calls.length).toBe(calls + 1), { timeout: 20_000, interval: 10 });
    await thrownOut();
    await pause(400);
    await asked();
    await vi.waitFor(() => expect(done).toBeGreaterThan(calls + 1), { timeout: 20_000 });
  });

  it('outlives being thrown out in the moment between an answer and the next question', async () => {
    // The answer and the goodbye come in one piece: nothing of the process runs between the sending and both.
    const ask = pg.Client.prototype.query;
    let cut = 0;
    const query = vi.spyOn(pg.Client.prototype, 'query').mockImplementation(function (
      this: pg.Client,
      ...args: unknown[]
    ) {
      const asked = Reflect.apply(ask, this, args) as Promise<unknown>;
      if (cut < 3 && JSON.stringify(args[0]).includes('locked_at')) {
        cut++;
        const throwOut = `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE application_name = 'crook jobs' AND datname = current_database()`;
        execFileSync('psql', ['-qX', url, '-c', `SELECT pg_sleep(0.2); ${throwOut}`, '-c', 'SELECT pg_sleep(0.1)']);
      }
      return asked;
    } as never);
    const alarms = vi.fn(async () => {});
    try {
      await start({ alarms });
      await vi.waitFor(() => expect(cut).toBe(3), { timeout: 20_000 });
      const before = alarms.mock.calls.length;
      await askForJob(db, 'alarms').catch(() => askForJob(db, 'alarms'));
      await vi.waitFor(() => expect(alarms.mock.calls.length).toBeGreaterThan(before), { timeout: 20_000 });
    } finally {
      query.mockRestore();
    }
  });

  it('is asked for by the clock, on each server, and one that fails again and again is still asked for', async () => {
    const tiers = vi.fn(async () => {
      throw new Error('not today');
    });
    const quick = { forecast: 60_000, alarms: 60_000, retention: 60_000, tiers: 300 };
    await Promise.all([start({ tiers }, quick), start({ tiers }, quick)]);
    await vi.waitFor(() => expect(tiers.mock.calls.length).toBeGreaterThan(5), { timeout: 15_000 });
    await Promise.all(started.splice(0).map((one) => one.stop()));
    await askForJob(db, 'tiers');
    await db.query('UPDATE graphile_worker._private_jobs SET attempts = max_attempts, locked_at = NULL, key = NULL');
    await askForJob(db, 'alarms');
    await clearFailed(url);
    expect(await waiting()).toEqual(['alarms']);
  });
});
