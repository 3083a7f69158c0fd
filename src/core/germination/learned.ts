import { Numbered, Remembered, Derived } from '../numerics/remembered.ts';
import { plainCropOf } from '../books/cropOf.ts';
import { looksOf, progressThrough, teachingCounts } from '../batch/looks.ts';
import { reduceLog } from '../batch/reduce.ts';
import { expectedShare_frac } from './usual.ts';
import { daysToEmerge, germinationRate } from './germinationRate.ts';
import { learn, MOST_trays, trayEstimate, traysCounted, type Learned, type TrayEstimate } from './learning.ts';
import type { Crop } from '../books/crop.ts';
import { meanTemperature_C } from '../plan/schedule/placeClimate.ts';
import type { SeasonTables } from '../plan/schedule/seasonTables.ts';
import type { BatchRecord, EventRecord } from '../batch/record.ts';
import type { CropRecord, LotRecord, VarietyRecord } from '../books/records.ts';
import type { World } from '../house/world.ts';
import type { KeptEstimate } from '../house/kept.ts';
import { teaching } from '../batch/teaching.ts';

/** What a time to come up was measured against, so that it still says the same when the book is changed. */
interface Measured {
  /** Mean of the place it stood in from sowing to its last count. */
  readonly temperature_C: number;
  /** Days to half up at that by the book of then; null: the book said never. */
  readonly book_days: number | null;
}

/** What one batch taught, with whose it was. */
export interface BatchTaught extends TrayEstimate, Measured {
  readonly batchId: number;
  readonly cropId: number;
  readonly varietyId: number | null;
  readonly lotId: number | null;
}

/**
 * What each batch that was counted says of its crop: as it was kept, else worked out from the temperatures of its own time, by
 * tables of the library's own rates.
 */
export const taughtBy = teaching<BatchTaught>({
  taught: 'emergence',
  fromLog: (world, batch, events, tables) =>
    taughtByBatch(batch, events, plainCropOf(world, batch), tables, lotOf(world, batch)),
  // Another test of its lot says otherwise of a tray that is still coming up.
  goesBy: (world, batch) => expectedShare(lotOf(world, batch)),
  fromKept: taughtAsKept,
});

const lotOf = ({ lots }: World, { lotId }: BatchRecord): LotRecord | null =>
  lots.find((lot) => lot.id === lotId) ?? null;

/** What was kept, against the book as it is now: what was measured are days at a temperature. */
function taughtAsKept(world: World, { batchId, cropId, varietyId, lotId, estimate }: KeptEstimate): BatchTaught {
  const kept = estimate as unknown as TrayEstimate & Measured;
  const now_days = bookDays(plainCropOf(world, { cropId, varietyId }), kept.temperature_C);
  const shift = kept.book_days === null || now_days === null ? 0 : Math.log(kept.book_days / now_days);
  return { batchId, cropId, varietyId, lotId, ...kept, logTime: kept.logTime + shift, book_days: now_days };
}

const bookDays = (crop: Crop, temperature_C: number): number | null =>
  daysToEmerge(germinationRate(crop), temperature_C);

function taughtByBatch(
  batch: BatchRecord,
  events: readonly EventRecord[],
  crop: Crop,
  tables: SeasonTables,
  lot: LotRecord | null,
): BatchTaught | null {
  const { state } = reduceLog(events);
  const sown = teachingCounts(events, Math.max(1, ...Object.keys(state.trayUp).map(Number)));
  if (!sown || sown.counts.length < 2) return null;
  const progressOn = progressThrough(crop, tables, sown.sownOn, state.stays, batch.plan, null);
  const looks = looksOf(sown, progressOn);
  const share = expectedShare(lot);
  // Days gone by say the same tomorrow: most trays' looks have not changed.
  const key = [sown.sown, share, ...looks.flatMap((look) => [look.progress, look.up])].join(' ');
  const estimate = estimates.get(key, () => trayEstimate(looks, sown.sown, share));
  if (!estimate) return null;
  const { cropId, varietyId, lotId } = batch;
  const placeId = state.stays[0]?.placeId ?? batch.plan.places.germinate;
  if (placeId === null) return null;
  const temperature_C = meanTemperature_C(tables.climateOf(placeId), sown.sownOn, sown.counts.at(-1)!.day);
  const measured = { temperature_C, book_days: bookDays(crop, temperature_C) };
  return { ...estimate, ...measured, batchId: batch.id, cropId, varietyId, lotId };
}

const estimates = new Remembered<TrayEstimate | null>(5_000);

/** Share of a lot's seeds thought to come up; without a lot the usual. */
export function expectedShare(lot: LotRecord | null): number {
  return expectedShare_frac(lot?.germination_percent ?? null);
}

/** The house's own times for a lot, a variety or a crop. `but`: a batch not to be counted, that it may be judged by the others. */
export function learnedFor(
  taught: readonly BatchTaught[],
  target: { readonly cropId: number; readonly varietyId: number | null; readonly lotId: number | null },
  lot: LotRecord | null,
  but: number | null = null,
): Learned {
  const ofCrop = byCrop(taught).get(target.cropId) ?? NO_TRAYS;
  const own = but !== null && ofCrop.some((t) => t.batchId === but) ? ofCrop.filter((t) => t.batchId !== but) : ofCrop;
  const share = expectedShare(lot);
  // All of them are counted, but only the latest are learned from.
  const latest = own.slice(-MOST_trays);
  const key = [target.varietyId, target.lotId, share, latest.map((t) => trays.of(t))].join(' ');
  const learned = learnings.get(key, () => learn(target, latest, share));
  return own.length <= MOST_trays ? learned : { ...learned, ...traysCounted(target, own) };
}

const NO_TRAYS: readonly BatchTaught[] = [];
const trays = new Numbered();
/** More than there are batches and lots in a large nursery. */
const learnings = new Remembered<Learned>(5_000);
const taughtByCrop = new Derived<readonly BatchTaught[], ReadonlyMap<number, readonly BatchTaught[]>>();

function byCrop(taught: readonly BatchTaught[]): ReadonlyMap<number, readonly BatchTaught[]> {
  return taughtByCrop.get(taught, () => {
    const groups = new Map<number, BatchTaught[]>();
    for (const one of taught) {
      const group = groups.get(one.cropId);
      if (group) group.push(one);
      else groups.set(one.cropId, [one]);
    }
    return groups;
  });
}

/**
 * The crops as plans go by: with the rule off the heat of their group, and with their times to come up as the house has
 * learned them, when it learns and anything is learned.
 * @param before the same crops as they were, where the books have not changed: a crop that is as it was stays the same object
 */
export function cropsToPlanBy(
  world: World,
  taught: readonly BatchTaught[],
  before: readonly CropRecord[] | null,
): CropRecord[] {
  const { learning, offHeatCool } = world.nursery;
  return world.crops.map((plain, i) => {
    const crop = plain.group === 'cool' && offHeatCool ? { ...plain, offHeat: offHeatCool } : plain;
    const { time_factor, trays_count } = learnedFor(taught, { cropId: crop.id, varietyId: null, lotId: null }, null);
    const learned = learning && trays_count > 0 ? slowedCrop(crop, time_factor) : crop;
    const last = before?.[i];
    return last && timesOf(last) === timesOf(learned) ? last : learned;
  });
}

/**
 * The varieties as plans go by them: one with a time of its own to come up takes what the house has learned of its crop along, as
 * its crop does.
 * @param crops as plans go by, in the order of the books
 */
export function varietiesToPlanBy(
  { varieties, crops: plain }: Pick<World, 'varieties' | 'crops'>,
  crops: readonly CropRecord[],
): VarietyRecord[] {
  return varieties.map((variety) => {
    const own = variety.figures.germBest_days;
    const i = own === undefined ? -1 : plain.findIndex((crop) => crop.id === variety.cropId);
    if (own === undefined || i < 0 || crops[i] === plain[i]) return variety;
    const germBest_days = (own * crops[i]!.germBest_days) / plain[i]!.germBest_days;
    return { ...variety, figures: { ...variety.figures, germBest_days } };
  });
}

/**
 * How many times as long as its crop a variety or lot takes to come up, to a hundredth; 1 where the house does not learn
 * or no tray of it was counted.
 */
export function emergenceFactor(
  world: World,
  taught: readonly BatchTaught[],
  target: { readonly cropId: number; readonly varietyId: number | null; readonly lotId: number | null },
): number {
  if (!world.nursery.learning || target.varietyId === null) return 1;
  if (!taught.some((t) => t.varietyId === target.varietyId && t.cropId === target.cropId)) return 1;
  const own = learnedFor(taught, target, null).time_factor;
  const crops = learnedFor(taught, { ...target, varietyId: null, lotId: null }, null).time_factor;
  return Math.round((100 * own) / crops) / 100;
}

/** Times to come up, to a hundredth of a day: less than that is not worth working a crop's batches out anew. */
function timesOf(crop: CropRecord): string {
  return [crop.offHeat && JSON.stringify(crop.offHeat), crop.germBest_days, ...crop.emergence.map((p) => p.days)]
    .map((n) => (typeof n === 'number' ? n.toFixed(2) : n))
    .join();
}

/** A crop that takes `factor` times as long to come up. */
export function slowedCrop<C extends Crop>(crop: C, factor: number): C {
  return {
    ...crop,
    germBest_days: crop.germBest_days * factor,
    emergence: crop.emergence.map((p) => (typeof p.days === 'number' ? { ...p, days: p.days * factor } : p)),
  };
}
