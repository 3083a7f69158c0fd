import { ProblemError } from '../../contracts/problem.ts';
import { readMarks, readWorld } from '../../db/house/world.ts';
import { type World } from '../../core/house/world.ts';
import { askForJob } from '../../db/house/jobs.ts';
import { readTries, writeTry } from '../../db/weather/site.ts';
import type { Db } from '../../db/sql.ts';
import { nowAt } from '../clock.ts';
import { type Now } from '../../core/calendar/localDay.ts';
import type { Job } from '../house/jobs.ts';
import { log } from '../log.ts';
import type { ForecastProvider } from './forecastProvider.ts';
import { takeForecast } from './takeForecast.ts';

/** The service is asked when the last try is so old by the nursery's clock, and again so soon after a failure. */
const EVERY_ms = 3 * 3_600_000;
const AGAIN_ms = 15 * 60_000;
/** The job looks once a minute by itself; a demo whose clock runs fast looks again sooner, but not sooner than this. */
const LOOKS_ms = 60_000;
const SOONEST_ms = 2_000;

/**
 * The job that asks a service for the forecast when it is time by the nursery's clock; the last good one is kept whatever
 * it answers. No transaction is open while the service is waited for.
 */
export function forecastJob(db: Db, provider: ForecastProvider): Job {
  let known: World | null = null;

  return async function look(): Promise<void> {
    const { revision } = await readMarks(db);
    if (known?.revision !== revision) known = await readWorld(db, known);
    const world = known;
    if (!world) return;
    const now = nowAt(world.nursery);
    const tries = await readTries(db);
    const every_ms = (tries?.failures ?? 0) > 0 ? AGAIN_ms : EVERY_ms;
    const since_ms = tries ? now.instant_ms - tries.tried_ms : Infinity;
    // A clock put back asks anew as well.
    const isDue = since_ms < 0 || since_ms >= every_ms;
    if (isDue) await writeTry(db, provider.name, now.instant_ms, await ask(world, now));
    const clock = world.nursery.demoClock;
    const next_ms = (isDue ? every_ms : every_ms - since_ms) / (clock?.running ? clock.rate : 1);
    if (next_ms < LOOKS_ms) await askForJob(db, 'forecast', Math.max(SOONEST_ms, next_ms));
  };

  /** @returns '' when it went well, else what went wrong */
  async function ask(world: World, now: Now): Promise<string> {
    try {
      const taken = await takeForecast(db, world, now, await provider.fetch(now.instant_ms), 'service');
      log.info(taken, 'forecast taken');
      return '';
    } catch (error) {
      const why =
        error instanceof ProblemError
          ? (error.problem.errors?.[0]?.message ?? error.problem.detail)
          : (error as Error).message;
      log.warn({ service: provider.name, why }, 'no forecast this time; the last good one is kept');
      return why;
    }
  }
}
