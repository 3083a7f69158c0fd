import { inTransaction } from '../../db/inTransaction.ts';
import { LOCKS } from '../../db/locks.ts';
import { ProblemError } from '../../contracts/problem.ts';
import { readTries, writeTry } from '../../db/weather/site.ts';
import type { Db } from '../../db/sql.ts';
import { readMarks, readWorld, type World } from '../../db/house/world.ts';
import { nowAt } from '../clock.ts';
import { log } from '../log.ts';
import { takeForecast } from './takeForecast.ts';
import type { ForecastProvider } from './forecastProvider.ts';

/** How often the clock is looked at, by the machine. */
const TICK_ms = 2_000;
/** Longest wait for the first answer at the start. */
const FIRST_ms = 2_000;
/** The service is asked when the last try is so old by the nursery's clock, and again so soon after a failure. */
const EVERY_ms = 3 * 3_600_000;
const AGAIN_ms = 15 * 60_000;
/** Only one of several processes asks. */

/** Asks a service for the forecast by the nursery's clock; the last good one is kept whatever it answers. */
export class ForecastJob {
  readonly #db: Db;
  readonly #provider: ForecastProvider;
  #timer: NodeJS.Timeout | null = null;
  #busy: Promise<void> | null = null;
  #world: World | null = null;

  constructor(db: Db, provider: ForecastProvider) {
    this.#db = db;
    this.#provider = provider;
  }

  async start(): Promise<void> {
    this.#timer = setInterval(() => void this.tick(), TICK_ms);
    // A service that is quick has answered before the first page is asked for; one that is slow is not waited for.
    await Promise.race([this.tick(), new Promise((resolve) => setTimeout(resolve, FIRST_ms).unref())]);
  }

  async stop(): Promise<void> {
    if (this.#timer) clearInterval(this.#timer);
    await this.#busy;
  }

  /** Looks whether it is time, and asks. Never throws. */
  tick(): Promise<void> {
    this.#busy ??= this.#look()
      .catch((error: Error) => log.warn({ err: error.message }, 'the forecast could not be looked after'))
      .finally(() => (this.#busy = null));
    return this.#busy;
  }

  async #look(): Promise<void> {
    const { revision } = await readMarks(this.#db);
    if (this.#world?.revision !== revision) this.#world = await readWorld(this.#db, this.#world);
    const world = this.#world;
    if (!world) return;
    const now = nowAt(world.nursery);
    const tries = await readTries(this.#db);
    const since = tries ? now.instant_ms - tries.tried_ms : Infinity;
    // A clock put back asks anew as well.
    if (since >= 0 && since < ((tries?.failures ?? 0) > 0 ? AGAIN_ms : EVERY_ms)) return;
    await inTransaction(this.#db, async (transaction) => {
      const [rows] = await this.#db.query(`SELECT pg_try_advisory_xact_lock(${LOCKS.forecast}) AS mine`, {
        transaction,
      });
      if (!(rows as { mine: boolean }[])[0]!.mine) return;
      await writeTry(this.#db, this.#provider.name, now.instant_ms, await this.#ask(world, now));
    });
  }

  /** @returns '' when it went well, else what went wrong */
  async #ask(world: World, now: ReturnType<typeof nowAt>): Promise<string> {
    try {
      const taken = await takeForecast(this.#db, world, now, await this.#provider.fetch(now.instant_ms), 'service');
      log.info(taken, 'forecast taken');
      return '';
    } catch (error) {
      const why =
        error instanceof ProblemError
          ? (error.problem.errors?.[0]?.message ?? error.problem.detail)
          : (error as Error).message;
      log.warn({ service: this.#provider.name, why }, 'no forecast this time; the last good one is kept');
      return why;
    }
  }
}
