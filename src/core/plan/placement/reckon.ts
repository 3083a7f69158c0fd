import type { Progress } from '../../batch/progress.ts';
import type { DayNumber } from '../../calendar/dayNumber.ts';
import { mondayOf } from '../../calendar/week.ts';
import { readyInTime_frac } from '../../batch/inTime.ts';
import { punctuality, windowOf } from '../../batch/tolerance.ts';
import type { BatchPlan } from '../batchPlan.ts';
import type { Place } from '../../books/place.ts';
import { heldAt, temperatureOn } from '../schedule/placeClimate.ts';
import { horizonDays, overRoom, roomOn, roomUsed, type OverRoom } from '../schedule/roomUse.ts';
import type { SeasonTables } from '../schedule/seasonTables.ts';
import { heatMoney, heatParts_kWh, type HeatParts } from './energy.ts';
import type { Weights } from './instance.ts';

/** A season added up, so that two can be laid side by side. */
export interface SeasonSummary {
  /** Batches that go out after their window, with the days; and before it. */
  readonly late_count: number;
  readonly late_days: number;
  readonly early_count: number;
  readonly early_days: number;
  /** Batches that cannot be reached as planned. */
  readonly stuck_count: number;
  /** Plants that on the mean of all springs are not ready in their days. */
  readonly atRisk_count: number;
  /** Slots over room, added over days and places. */
  readonly over_slotDays: number;
  readonly over: readonly OverRoom[];
  readonly peaks: readonly { readonly placeId: number; readonly peak_slots: number; readonly room_trays: number }[];
  readonly heat_kWh: number;
  readonly heatOf: readonly { readonly placeId: number; readonly heat_kWh: number }[];
  readonly money: number;
  /** Trays carried from place to place. */
  readonly moves_trays: number;
  readonly setPointChanges: number;
}

/** What a change of plan costs: below 0 it saves. The one price of drags, offers, plans, what-ifs and new batches. */
export interface ChangePrice {
  /** Days by which what is changed goes out later; 0 where that is said otherwise. */
  readonly later_days: number;
  readonly atRisk_count: number;
  readonly heat_kWh: number;
  readonly heat_money: number;
  readonly moves_trays: number;
}

/** The price of one season against another. */
export function priceBetween(before: SeasonSummary, after: SeasonSummary, later_days = 0): ChangePrice {
  return {
    later_days,
    atRisk_count: after.atRisk_count - before.atRisk_count,
    heat_kWh: after.heat_kWh - before.heat_kWh,
    heat_money: after.money - before.money,
    moves_trays: after.moves_trays - before.moves_trays,
  };
}

export interface ReckonInput {
  readonly today: DayNumber;
  readonly places: readonly Place[];
  readonly tables: SeasonTables;
  readonly weights: Weights;
  readonly batches: readonly { readonly plan: BatchPlan; readonly over: boolean; readonly progress: Progress }[];
}

/** Adds up what is still to come of a season. Heat is reckoned for the weeks in which something stands in a place. */
export function reckon({ today, places, tables, weights, batches }: ReckonInput): SeasonSummary {
  const live = batches.filter((batch) => !batch.over);
  const stands = batches.flatMap((batch) => batch.progress.stands);
  let late_count = 0;
  let late_days = 0;
  let early_count = 0;
  let early_days = 0;
  let moves_trays = 0;
  let atRisk_count = 0;
  for (const { plan, progress } of live) {
    atRisk_count += progress.plants.expected_count * (1 - (readyInTime_frac(progress, plan, today) ?? 0));
    const kind = punctuality(progress, plan);
    if (kind === 'not likely') late_count++;
    if (progress.late_days === null) continue;
    const { before_days, after_days } = windowOf(plan);
    if (kind === 'late') [late_count, late_days] = [late_count + 1, late_days + progress.late_days - after_days];
    if (kind === 'early') [early_count, early_days] = [early_count + 1, early_days - progress.late_days - before_days];
    progress.stands.forEach((stand, i) => {
      const before = progress.stands[i - 1];
      if (before && before.placeId !== stand.placeId && stand.from >= today) moves_trays += stand.trays;
    });
  }
  const days = horizonDays(stands, today);
  const used = roomUsed(stands, today, days);
  const over = overRoom(stands, places, today, days);
  let over_slotDays = 0;
  const peaks = places.map((place) => {
    const row = used.get(place.id);
    let peak_slots = 0;
    row?.forEach((slots, i) => {
      peak_slots = Math.max(peak_slots, slots);
      over_slotDays += Math.max(0, slots - roomOn(place, today + i));
    });
    return { placeId: place.id, peak_slots, room_trays: place.room_trays };
  });
  const heated = places.map((place) => heatOfPlace(place, tables, used.get(place.id), today));
  const heat_kWh = heated.reduce((sum, one) => sum + one.heat_kWh, 0);
  return {
    late_count,
    late_days,
    early_count,
    early_days,
    atRisk_count,
    stuck_count: live.filter(({ progress, plan }) => punctuality(progress, plan) === 'cannot be').length,
    over_slotDays,
    over,
    peaks,
    heat_kWh,
    heatOf: places.map((place, i) => ({ placeId: place.id, heat_kWh: heated[i]!.heat_kWh })),
    money: heated.reduce((sum, one) => sum + heatMoney(one, weights), 0),
    moves_trays,
    setPointChanges: heated.reduce((sum, one) => sum + one.changes, 0),
  };
}

const NO_HEAT: HeatParts = { day_kWh: 0, night_kWh: 0 };

/** Heat of a place over its weeks in use from today on, and how often its set-point changes between two of them. */
export function heatOfPlace(
  place: Place,
  tables: SeasonTables,
  used: Float64Array | undefined,
  today: DayNumber,
): HeatParts & { heat_kWh: number; changes: number } {
  const { temperature } = place;
  if (temperature?.kind !== 'set-point' || !used || !tables.outside) return { ...NO_HEAT, heat_kWh: 0, changes: 0 };
  const chosen = new Map((place.setPoints ?? []).map((s) => [s.week, s.setPoint_C]));
  const weeksInUse = new Set<number>();
  used.forEach((slots, i) => {
    if (slots > 0) weeksInUse.add(mondayOf(today + i));
  });
  let { day_kWh, night_kWh } = NO_HEAT;
  let changes = 0;
  for (const week of weeksInUse) {
    const setPoint_C = chosen.has(week) ? chosen.get(week)! : temperature.usual_C;
    const before = chosen.has(week - 7) ? chosen.get(week - 7)! : temperature.usual_C;
    if (weeksInUse.has(week - 7) && before !== setPoint_C) changes++;
    for (let day = Math.max(week, today); day < week + 7; day++) {
      const out = temperatureOn(tables.outside, day);
      const held = heldAt(temperature, setPoint_C, out.day_C, out.night_C);
      const free = heldAt(temperature, null, out.day_C, out.night_C);
      const parts = heatParts_kWh({
        loss_W_per_K: temperature.loss_W_per_K,
        setDay_C: held.day_C,
        setNight_C: held.night_C,
        freeDay_C: free.day_C,
        freeNight_C: free.night_C,
      });
      day_kWh += parts.day_kWh;
      night_kWh += parts.night_kWh;
    }
  }
  return { day_kWh, night_kWh, heat_kWh: day_kWh + night_kWh, changes };
}

/** A batch's share of the heat of the places it stands in: by its slots of all their room, over its days there, kWh. */
export function heatShareOf_kWh(
  stands: readonly {
    readonly placeId: number;
    readonly from: DayNumber;
    readonly to: DayNumber;
    readonly slots: number;
  }[],
  places: readonly Place[],
  tables: SeasonTables,
): number {
  let sum = 0;
  for (const stand of stands) {
    const place = places.find((p) => p.id === stand.placeId);
    if (!place || place.room_trays <= 0) continue;
    const used = new Float64Array(Math.max(0, stand.to - stand.from)).fill(1);
    // Reckoned over whole weeks, so cut to its own days.
    const { heat_kWh } = heatOfPlace(place, tables, used, stand.from);
    const weeks = mondayOf(stand.to - 1) + 7 - stand.from;
    sum += heat_kWh * ((stand.to - stand.from) / Math.max(1, weeks)) * Math.min(1, stand.slots / place.room_trays);
  }
  return sum;
}
