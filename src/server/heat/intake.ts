import { insertReadings, type ReadingRow } from '../../db/heat/readings.ts';
import type { Db } from '../../db/sql.ts';

interface Waiting {
  readonly rows: readonly ReadingRow[];
  readonly done: () => void;
  readonly failed: (error: Error) => void;
}

/** Most readings held while the database is away; beyond, devices are told to keep theirs. */
export const MOST_HELD = 60_000;
const MOST_AT_ONCE = 3_000;
const AGAIN_ms = 1_000;

/**
 * Gathers readings and writes them in lots. A message is done when its readings are committed; while the database is away
 * they are held, up to a bound, and tried again.
 */
export class Intake {
  readonly #db: Db;
  readonly #trouble: (error: Error) => void;
  #queue: Waiting[] = [];
  #held = 0;
  #writing = false;
  #stopped = false;

  constructor(db: Db, trouble: (error: Error) => void) {
    this.#db = db;
    this.#trouble = trouble;
  }

  get held(): number {
    return this.#held;
  }

  /** Resolves when the rows are committed; rejects when there is no room to hold them. */
  take(rows: readonly ReadingRow[]): Promise<void> {
    if (rows.length === 0) return Promise.resolve();
    if (this.#held + rows.length > MOST_HELD) return Promise.reject(new Error('too many readings are waiting'));
    this.#held += rows.length;
    const wait = new Promise<void>((done, failed) => this.#queue.push({ rows, done, failed }));
    if (!this.#writing) void this.#write();
    return wait;
  }

  /** Lets go of what waits; it was not acknowledged, so devices send it again. */
  stop(): void {
    this.#stopped = true;
    for (const waiting of this.#queue) waiting.failed(new Error('stopping'));
    this.#queue = [];
  }

  async #write(): Promise<void> {
    this.#writing = true;
    while (this.#queue.length > 0 && !this.#stopped) {
      let n = 0;
      let count = 0;
      while (n < this.#queue.length && count < MOST_AT_ONCE) count += this.#queue[n++]!.rows.length;
      const lot = this.#queue.slice(0, n);
      try {
        await insertReadings(
          this.#db,
          lot.flatMap((w) => w.rows),
        );
      } catch (error) {
        this.#trouble(error as Error);
        await new Promise((resolve) => setTimeout(resolve, AGAIN_ms));
        continue;
      }
      this.#queue = this.#queue.slice(n);
      this.#held -= count;
      for (const waiting of lot) waiting.done();
    }
    this.#writing = false;
  }
}
