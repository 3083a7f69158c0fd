import { Logger, parseCronItems, run, runMigrations, type Runner } from 'graphile-worker';
import { JOB_NAMES, type JobName } from '../../db/house/jobs.ts';
import { log } from '../log.ts';

/** What a job does; it is asked for again by its own name in `db/house/jobs.ts`. */
export type Job = () => Promise<unknown>;

/** When each job is looked at without being asked for, in the five fields of cron, UTC. */
const WHEN: Readonly<Record<JobName, string>> = {
  forecast: '* * * * *',
  tiers: '* * * * *',
  alarms: '* * * * *',
  retention: '17 */6 * * *',
};
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
}

export interface Jobs {
  /** Waits until the job has been done once more, or so long. */
  done(name: JobName, most_ms: number): Promise<void>;
  stop(): Promise<void>;
}

/**
 * Does the jobs of the house until stopped, in this process or in another that serves the same database, whoever is free.
 * A job that fails is tried again; a database that is away is waited for.
 * @param jobs those this process can do
 */
export async function startJobs(databaseUrl: string, jobs: Partial<Record<JobName, Job>>): Promise<Jobs> {
  const names = JOB_NAMES.filter((name) => jobs[name]);
  const waiting = new Map<JobName, Set<() => void>>();
  let runner: Runner | null = null;
  let stopped = false;
  let retry: NodeJS.Timeout | null = null;

  const begin = async (): Promise<void> => {
    runner = await run({
      connectionString: databaseUrl,
      maxPoolSize: 4,
      concurrency: 2,
      pollInterval: POLL_ms,
      noHandleSignals: true,
      logger,
      taskList: Object.fromEntries(
        names.map((name) => [
          name,
          async () => {
            await jobs[name]!();
            for (const done of waiting.get(name) ?? []) done();
            waiting.delete(name);
          },
        ]),
      ),
      parsedCronItems: parseCronItems(
        names.map((name) => ({
          task: name,
          match: WHEN[name],
          options: { queueName: name, jobKey: name, maxAttempts: 3, backfillPeriod: 0 },
        })),
      ),
    });
    runner.promise.then(again, again);
  };
  const again = (error?: unknown): void => {
    if (stopped) return;
    runner = null;
    if (error) log.warn({ err: (error as Error).message }, 'jobs wait for the database');
    retry = setTimeout(() => void begin().catch(again), AGAIN_ms);
  };
  await begin();

  return {
    done: (name, most_ms) =>
      new Promise((resolve) => {
        waiting.set(name, (waiting.get(name) ?? new Set()).add(resolve));
        setTimeout(resolve, most_ms).unref();
      }),
    stop: async () => {
      stopped = true;
      if (retry) clearTimeout(retry);
      await runner?.stop().catch(() => undefined);
    },
  };
}
