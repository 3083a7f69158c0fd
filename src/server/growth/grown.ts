import { isDeepStrictEqual } from 'node:util';
import { Numbered, Remembered } from '../../core/numerics/remembered.ts';
import { booksOf } from '../books/booksOf.ts';
import { plainCropOf } from '../books/cropOf.ts';
import type { BatchEvent, Sign } from '../../core/batch/event.ts';
import { effectiveEvents, reduceLog, type Stay } from '../../core/batch/reduce.ts';
import type { DayNumber } from '../../core/calendar/dayNumber.ts';
import {
  growthSaid,
  learnedGrowth,
  MOST_batches,
  type GrowthOf,
  type GrowthSaid,
  type GrowthShown,
  type LearnedGrowth,
} from '../../core/growth/learnedGrowth.ts';
import { POTTING_CHECK_DAYS, stageSums } from '../../core/growth/stageSums.ts';
import { noonOf } from '../../core/plan/schedule/chain.ts';
import type { SeasonTables } from '../../core/plan/schedule/seasonTables.ts';
import { totalAt } from '../../core/plan/schedule/thermalIntegral.ts';
import type { BatchRecord, EventRecord } from '../../contracts/batch/records.ts';
import type { CropRecord } from '../../contracts/books/records.ts';
import type { World } from '../../db/house/world.ts';
import type { KeptEstimate } from '../../db/house/seasons.ts';
import { estimatesOf, sowingDay, type TablesOf } from '../germination/learned.ts';
import { isLeftOut } from '../../core/batch/looks.ts';

/** What one batch taught of growth, with whose it was. */
export interface BatchGrown extends GrowthSaid, GrowthOf {
  /** Degree-days to ready by the book it was measured against. */
  readonly book_degreeDays: number;
  readonly batchId: number;
  readonly cropId: number;
}

/** Worked out once for a log and the tables it was measured with. */
const known = new WeakMap<readonly EventRecord[], { tables: SeasonTables; grown: BatchGrown | null }>();

/**
 * What each batch that showed its growth says of its crop: as it was kept, else worked out from the temperatures of its own time.
 * @param tablesOf tables by what was measured that hold a day and the year after it
 */
export function grownBy(world: World, tablesOf: TablesOf): BatchGrown[] {
  const kept = keptGrown(world);
  const open = world.batches.flatMap((batch): BatchGrown[] => {
    const events = world.events.get(batch.id);
    if (!events) return [];
    const one = kept.get(batch.id);
    if (one && one.logId === events.at(-1)!.id) return one.grown;
    const tables = tablesOf(sowingDay(events));
    let held = known.get(events);
    if (held?.tables !== tables) {
      const grown = grownSafely(batch, events, plainCropOf(world, batch), tables);
      held = { tables, grown: held && isDeepStrictEqual(held.grown, grown) ? held.grown : grown };
      known.set(events, held);
    }
    return held.grown ? [held.grown] : [];
  });
  const openIds = new Set(world.batches.map((batch) => batch.id));
  return [...[...kept].flatMap(([batchId, one]) => (openIds.has(batchId) ? [] : one.grown)), ...open];
}

interface KeptGrown {
  readonly logId: number;
  /** One, or none where its crop's book can no longer be worked out. */
  readonly grown: BatchGrown[];
}
const keptKnown = new WeakMap<KeptEstimate, { readonly books: string; readonly kept: KeptGrown }>();

const allKept = new WeakMap<readonly KeptEstimate[], { books: string; byBatch: ReadonlyMap<number, KeptGrown> }>();

/** What was kept, by batch, against the book as it is now: the same objects while neither changes. */
function keptGrown(world: World): ReadonlyMap<number, KeptGrown> {
  const books = booksOf(world);
  const { estimates } = world.kept;
  let all = allKept.get(estimates);
  if (all?.books === books) return all.byBatch;
  const byBatch = new Map(
    [...estimatesOf(world, 'growth').values()].map((one) => {
      let held = keptKnown.get(one);
      if (held?.books !== books) {
        held = { books, kept: { logId: one.logId, grown: keptSafely(world, one) } };
        keptKnown.set(one, held);
      }
      return [one.batchId, held.kept] as const;
    }),
  );
  all = { books, byBatch };
  allKept.set(estimates, all);
  return byBatch;
}

/** A crop whose book can no longer be worked out teaches nothing. */
function keptSafely(world: World, one: KeptEstimate): BatchGrown[] {
  try {
    return [grownAsKept(world, one)];
  } catch {
    return [];
  }
}

/** What was kept, against the growth the book asks for now. Another base of growth in the book is not seen. */
function grownAsKept(world: World, { batchId, cropId, varietyId, placeId, estimate }: KeptEstimate): BatchGrown {
  const kept = estimate as unknown as GrowthSaid & Pick<BatchGrown, 'book_degreeDays'>;
  const book_degreeDays = bookDegreeDays(plainCropOf(world, { cropId, varietyId }));
  const value = kept.value + Math.log(kept.book_degreeDays / book_degreeDays);
  return { batchId, cropId, varietyId, placeId, sd: kept.sd, value, book_degreeDays };
}

const bookDegreeDays = (crop: CropRecord): number => stageSums(crop, false).ready_degreeDays;

/** A log that cannot be read teaches nothing; its batch says on its own line what is wrong. */
function grownSafely(...of: Parameters<typeof grownByBatch>): BatchGrown | null {
  try {
    return grownByBatch(...of);
  } catch {
    return null;
  }
}

function grownByBatch(
  batch: BatchRecord,
  events: readonly EventRecord[],
  crop: CropRecord,
  tables: SeasonTables,
): BatchGrown | null {
  const kept = effectiveEvents(events);
  const { state } = reduceLog(events);
  const { facts } = state;
  const half = facts['half-up'];
  // Bought plants, and those split from others, have grown where nobody measured.
  if (half === undefined || batch.plan.joins || isLeftOut(kept)) return null;
  const until = (day: DayNumber, stopped_days: number): number =>
    grownThrough(crop, tables, state.stays, half, day) -
    // What a day gives at the end stands for the days it stood still after a move.
    stopped_days *
      (grownThrough(crop, tables, state.stays, half, day) - grownThrough(crop, tables, state.stays, half, day - 1));
  const checks = (day: DayNumber, potted: boolean) =>
    POTTING_CHECK_DAYS * state.moves.filter((m) => m.day < day && (potted || !m.last)).length;
  const shown: GrowthShown[] = kept.flatMap((event: BatchEvent): GrowthShown[] => {
    if (event.kind === 'sign') {
      const by = event.cause as Sign;
      return [{ by, grown_degreeDays: until(event.day, checks(event.day, by === 'touching')), leaves: event.count }];
    }
    if (event.kind === 'potted')
      return [{ by: 'potted', grown_degreeDays: until(event.day, checks(event.day, false)), leaves: null }];
    return [];
  });
  const out = facts.harden ?? facts.plant;
  if (out !== undefined)
    shown.push({
      by: facts.harden === undefined ? 'planted' : 'hardened',
      grown_degreeDays: until(out, checks(out, true)),
      leaves: null,
    });
  const said = growthSaid(stageSums(crop, batch.plan.potContainerId !== null, batch.plan.age_frac ?? 1), shown);
  const { cropId, varietyId } = batch;
  return (
    said && {
      ...said,
      book_degreeDays: bookDegreeDays(crop),
      batchId: batch.id,
      cropId,
      varietyId,
      placeId: batch.plan.places.grow,
    }
  );
}

/** Degree-days between the noons of two days through the places a batch stood in. */
function grownThrough(
  crop: CropRecord,
  tables: SeasonTables,
  stays: readonly Stay[],
  from: DayNumber,
  to: DayNumber,
): number {
  let sum = 0;
  stays.forEach((stay, i) => {
    const begin_t = Math.max(noonOf(from), i === 0 ? -Infinity : noonOf(stay.from));
    const end_t = Math.min(noonOf(to), i + 1 < stays.length ? noonOf(stays[i + 1]!.from) : Infinity);
    if (end_t <= begin_t) return;
    const growth = tables.growthOf(crop, stay.placeId);
    sum += totalAt(growth, end_t) - totalAt(growth, begin_t);
  });
  return sum;
}

/** Growth a batch needs here against the book's, by its crop, variety and growing place. */
export function growthFor(grown: readonly BatchGrown[], target: GrowthOf & { readonly cropId: number }): LearnedGrowth {
  const own = grown.filter((g) => g.cropId === target.cropId);
  const latest = own.slice(-MOST_batches);
  const key = [target.varietyId, target.placeId, latest.map((one) => numbers.of(one))].join(' ');
  const learned = learnings.get(key, () => learnedGrowth(target, latest));
  return { ...learned, batches_count: own.length };
}

const numbers = new Numbered();
/** More than there are varieties and places to grow in. */
const learnings = new Remembered<LearnedGrowth>(2_000);
