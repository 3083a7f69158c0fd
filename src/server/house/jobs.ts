import { EventEmitter } from 'node:events';
import {
  Logger,
  makeWorkerUtils,
  runMigrations,
  runTaskList,
  type WorkerEvents,
  type WorkerPool,
} from 'graphile-worker';
import pg from 'pg';
import { JOB_NAMES, type JobName } from '../../db/house/jobs.ts';
import { log } from '../log.ts';

/** What a job does; it is asked for again by its own name in `db/house/jobs.ts`. */
export type Job = () => Promise<unknown>;

/** How often each job is asked for by the clock. */
const EVERY_ms: Readonly<Record<JobName, number>> = {
  forecast: 60_000,
  tiers: 60_000,
  alarms: 60_000,
  retention: 6 * 3_600_000,
};
/** When one that is asked for seldom is asked for first: after a start, when the first pages are out. */
const FIRST_ms = 60_000;
/** How often jobs that were put off are looked for; those asked for at once are heard of at once. */
const POLL_ms = 1_000;
const AGAIN_ms = 3_000;

const LEVEL = { error: 'error', warning: 'warn', info: 'debug', debug: 'debug' } as const;
const logger = new Logger(
  ({ label }) =>
    (level, message) =>
      log[LEVEL[level]]({ of: label }, message),
);

/** Tables of the jobs, made or brought up to date. They are the library's own and stand in a schema of their own. */
export async function prepareJobs(databaseUrl: string): Promise<void> {
  await runMigrations({ connectionString: databaseUrl, logger });
  await clearFailed(databaseUrl);
}

/** Takes away the jobs that failed at every try; the log has said why, and the clock has asked anew. */
export async function clearFailed(databaseUrl: string): Promise<void> {
  const utils = await makeWorkerUtils({ connectionString: databaseUrl, logger });
  try {
    await utils.cleanup({ tasks: ['DELETE_PERMAFAILED_JOBS'] });
  } finally {
    await utils.release();
  }
}

export interface Jobs {
  /** Waits until the job has been done once more, or so long. */
  done(name: JobName, most_ms: number): Promise<void>;
  stop(): Promise<void>;
}

/**
 * Does the jobs of the house until stopped, in this process or in another that serves the same database, whoever is free.
 * A job that fails is tried again; a database that is away is waited for. The clock is our own: the library's ends the
 * process where the database throws it out.
 * @param jobs those this process can do
 * @param ask how the clock asks for one, in place of whoever is away
 * @param every_ms how often it asks, ms; for the first time after a minute at most
 */
export async function startJobs(
  databaseUrl: string,
  jobs: Partial<Record<JobName, Job>>,
  ask: (name: JobName) => Promise<void>,
  every_ms = EVERY_ms,
): Promise<Jobs> {
  const names = JOB_NAMES.filter((name) => jobs[name]);
  const waiting = new Map<JobName, Set<() => void>>();
  const connections = new pg.Pool({ connectionString: databaseUrl, max: 4, application_name: 'crook jobs' });
  const away = (error: Error): void => log.warn({ err: error.message }, 'jobs wait for the database');
  connections.on('error', away);
  // One that is lent out has no listener of the pool's: thrown out between two questions, it would end the process.
  connections.on('connect', (client) => client.on('error', away));
  const tasks = Object.fromEntries(
    names.map((name) => [
      name,
      async () => {
        await jobs[name]!();
        if (name === 'retention') await clearFailed(databaseUrl);
        for (const done of waiting.get(name) ?? []) done();
        waiting.delete(name);
      },
    ]),
  );
  let pool: WorkerPool;
  let stopped = false;
  let retry: NodeJS.Timeout | null = null;

  const begin = (): void => {
    const events = new EventEmitter() as WorkerEvents;
    pool = runTaskList(
      { concurrency: 2, pollInterval: POLL_ms, noHandleSignals: true, logger, events },
      tasks,
      connections,
    );
    // A worker that could not write down that its job was done has ended: others take its place.
    events.on('worker:fatalError', ({ error }) => again(error));
  };
  const again = (error: unknown): void => {
    if (stopped || retry) return;
    log.warn({ err: (error as Error).message }, 'jobs begin again');
    const old = pool;
    retry = setTimeout(() => {
      retry = null;
      void Promise.resolve(old.gracefulShutdown()).catch(() => undefined);
      begin();
    }, AGAIN_ms);
  };
  begin();
  const byClock = (name: JobName): void =>
    void ask(name).catch((error: Error) => log.warn({ err: error.message, job: name }, 'a job was not asked for'));
  const clocks = names.flatMap((name) => [
    setInterval(byClock, every_ms[name], name),
    ...(every_ms[name] > FIRST_ms ? [setTimeout(byClock, FIRST_ms, name)] : []),
  ]);

  return {
    done: (name, most_ms) =>
      new Promise((resolve) => {
        waiting.set(name, (waiting.get(name) ?? new Set()).add(resolve));
        setTimeout(resolve, most_ms).unref();
      }),
    stop: async () => {
      stopped = true;
      if (retry) clearTimeout(retry);
      for (const clock of clocks) clearInterval(clock);
      await Promise.resolve(pool.gracefulShutdown()).catch(() => undefined);
      await connections.end().catch(() => undefined);
    },
  };
}
