import { Numbered, Remembered } from '../numerics/remembered.ts';
import { plainCropOf } from '../books/cropOf.ts';
import type { BatchEvent, Sign } from '../batch/event.ts';
import { effectiveEvents, reduceLog, type Stay } from '../batch/reduce.ts';
import type { DayNumber } from '../calendar/dayNumber.ts';
import {
  growthSaid,
  learnedGrowth,
  MOST_batches,
  type GrowthOf,
  type GrowthSaid,
  type GrowthShown,
  type LearnedGrowth,
} from './learnedGrowth.ts';
import { POTTING_CHECK_DAYS, stageSums } from './stageSums.ts';
import { noonOf } from '../plan/schedule/chain.ts';
import type { SeasonTables } from '../plan/schedule/seasonTables.ts';
import { totalAt } from '../plan/schedule/thermalIntegral.ts';
import type { BatchRecord, EventRecord } from '../batch/record.ts';
import type { CropRecord } from '../books/records.ts';
import type { World } from '../house/world.ts';
import type { KeptEstimate } from '../house/kept.ts';
import { teaching } from '../batch/teaching.ts';
import { isLeftOut } from '../batch/looks.ts';

/** What one batch taught of growth, with whose it was. */
export interface BatchGrown extends GrowthSaid, GrowthOf {
  /** Degree-days to ready by the book it was measured against. */
  readonly book_degreeDays: number;
  readonly batchId: number;
  readonly cropId: number;
}

/**
 * What each batch that showed its growth says of its crop: as it was kept, else worked out from the temperatures of its own time, by
 * tables of what was measured.
 */
export const grownBy = teaching<BatchGrown>({
  taught: 'growth',
  fromLog: (world, batch, events, tables) => grownByBatch(batch, events, plainCropOf(world, batch), tables),
  fromKept: grownAsKept,
});

/** What was kept, against the growth the book asks for now. Another base of growth in the book is not seen. */
function grownAsKept(world: World, { batchId, cropId, varietyId, placeId, estimate }: KeptEstimate): BatchGrown {
  const kept = estimate as unknown as GrowthSaid & Pick<BatchGrown, 'book_degreeDays'>;
  const book_degreeDays = bookDegreeDays(plainCropOf(world, { cropId, varietyId }));
  const value = kept.value + Math.log(kept.book_degreeDays / book_degreeDays);
  return { batchId, cropId, varietyId, placeId, sd: kept.sd, value, book_degreeDays };
}

const bookDegreeDays = (crop: CropRecord): number => stageSums(crop, false).ready_degreeDays;

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
