import type { Sequelize, Transaction } from 'sequelize';
import { run } from '../sql.ts';

/** The jobs that run beside the pages. Each has a queue of its own: of one job never two run at once, on any server. */
export const JOB_NAMES = ['forecast', 'tiers', 'alarms', 'retention'] as const;
export type JobName = (typeof JOB_NAMES)[number];

/**
 * Asks for a job to be done. One that waits already is not asked for twice: it is done at the earlier of the two times.
 * With a transaction, only if that commits.
 */
export async function askForJob(db: Sequelize, name: JobName, after_ms = 0, transaction?: Transaction): Promise<void> {
  await run(
    db,
    `SELECT graphile_worker.add_job($1, queue_name => $1, job_key => $1, max_attempts => 3, job_key_mode => 'replace',
       run_at => least(now() + $2 * interval '1 millisecond',
         (SELECT run_at FROM graphile_worker.jobs WHERE key = $1 AND locked_at IS NULL AND attempts = 0)))`,
    [name, after_ms],
    transaction,
  );
}
