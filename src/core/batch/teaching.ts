import type { DayNumber } from '../calendar/dayNumber.ts';
import type { SeasonTables } from '../plan/schedule/seasonTables.ts';
import type { BatchRecord, EventRecord } from './record.ts';
import type { KeptEstimate } from '../house/kept.ts';
import type { World } from '../house/world.ts';
import { sameValue } from '../numerics/sameValue.ts';
import { booksOf } from '../books/booksOf.ts';
import { Derived } from '../numerics/remembered.ts';

/** Tables that hold a day; null: one that was never sown. */
export type TablesOf = (day: DayNumber | null) => SeasonTables;

/** How batches teach one thing: from their log, and from what was kept of it. */
export interface Teaches<T> {
  readonly taught: KeptEstimate['taught'];
  /** What a log says by the temperatures of its own time; null: nothing. */
  fromLog(world: World, batch: BatchRecord, events: readonly EventRecord[], tables: SeasonTables): T | null;
  /** What else of a batch what it says goes by; another figure is another answer. */
  goesBy?(world: World, batch: BatchRecord): number;
  /** What was kept, against the book as it is now. */
  fromKept(world: World, kept: KeptEstimate): T;
}

/**
 * What each batch teaches: as it was kept, else worked out from its log. It is worked out once for a log and its tables, once for
 * what was kept and the books; what says the same stays the same object, and with it all that follows from it.
 * @returns what batches of closed seasons taught, then those of the open ones
 */
export function teaching<T>(teaches: Teaches<T>): (world: World, tablesOf: TablesOf) => T[] {
  const logs = new Derived<readonly EventRecord[], T | null>();
  const estimates = new Derived<KeptEstimate, T | null>();
  const all = new Derived<readonly KeptEstimate[], KeptByBatch<T>>();
  let before: ReadonlyMap<number, T | null> = new Map();

  function keptOf(world: World): KeptByBatch<T> {
    const books = booksOf(world);
    const saidBy = (one: KeptEstimate): T | null =>
      estimates.get(one, () => safely(() => teaches.fromKept(world, one)), [books]);
    return all.get(
      world.kept.estimates,
      () => {
        const ours = world.kept.estimates.filter(({ taught }) => taught === teaches.taught);
        return new Map(ours.map((one) => [one.batchId, { logId: one.logId, said: saidBy(one) }]));
      },
      [books],
    );
  }

  return (world, tablesOf) => {
    const kept = keptOf(world);
    const saidNow = new Map<number, T | null>();
    // What was said of a batch by its log and is now said by what was kept of it is the same thing.
    const asBefore = (batchId: number, said: T | null): T | null => {
      const last = before.get(batchId);
      const same = last !== undefined && sameValue(last, said) ? last : said;
      saidNow.set(batchId, same);
      return same;
    };
    const sayOpen = (batch: BatchRecord): T | null => {
      const events = world.events.get(batch.id);
      if (!events) return null;
      const one = kept.get(batch.id);
      // What was kept of this very log stands: the tables of today may say otherwise of days gone by.
      if (one && one.logId === events.at(-1)!.id) return one.said;
      const tables = tablesOf(sowingDay(events));
      const say = (last: T | null | undefined): T | null => {
        const said = safely(() => teaches.fromLog(world, batch, events, tables));
        return last !== undefined && sameValue(last, said) ? last : said;
      };
      return logs.get(events, say, [tables, teaches.goesBy?.(world, batch)]);
    };
    const open = world.batches.map((batch) => asBefore(batch.id, sayOpen(batch)));
    const openIds = new Set(world.batches.map((batch) => batch.id));
    const closed = [...kept].map(([batchId, one]) => (openIds.has(batchId) ? null : asBefore(batchId, one.said)));
    before = saidNow;
    return [...closed, ...open].filter((said) => said !== null);
  };
}

type KeptByBatch<T> = ReadonlyMap<number, { readonly logId: number; readonly said: T | null }>;

/** Day a log begins to say something of coming up. */
function sowingDay(events: readonly EventRecord[]): DayNumber | null {
  return events.find((event) => event.kind === 'sown' || event.kind === 'arrived')?.day ?? null;
}

/** What cannot be read, or not any more, teaches nothing; its batch says on its own line what is wrong. */
function safely<T>(work: () => T | null): T | null {
  try {
    return work();
  } catch {
    return null;
  }
}
