import type { DayNumber } from '../calendar/dayNumber.ts';
import type { LookOn } from '../germination/verdict.ts';
import { noonOf } from '../plan/schedule/chain.ts';
import type { SeasonTables } from '../plan/schedule/seasonTables.ts';
import { totalAt } from '../plan/schedule/thermalIntegral.ts';
import type { BatchEvent } from './event.ts';
import { effectiveEvents, type Stay } from './reduce.ts';
import type { Crop } from '../books/crop.ts';
import type { StagePlaces } from '../plan/stage.ts';

/** Whether a batch was not used for estimates; one withdrawn again is back in. Events as they count. */
export const isLeftOut = (kept: readonly BatchEvent[]): boolean => kept.some((e) => e.kind === 'left-out' && !e.tray);

/** How many are up by a day: of all that was sown, or null while not every tray has been counted that day. */
export interface CountOn {
  readonly day: DayNumber;
  readonly up: number;
}

/** What is known of how a batch comes up. */
export interface SownBatch {
  readonly sownOn: DayNumber;
  readonly sown: number;
  readonly counts: readonly CountOn[];
}

/**
 * The counts of a batch while it comes up, by day, rising; null when it was not sown here. Counted tray by tray, a day
 * counts when every tray ever counted was counted on it. Losses logged since are added back: they had come up.
 */
export function countsOf(events: readonly BatchEvent[]): SownBatch | null {
  return countsAmong(effectiveEvents(events));
}

/**
 * The counts a batch teaches by: those of trays left out are not among them, and a batch left out whole teaches nothing.
 * @param trays_count trays it stands in, so that a tray's share of the seeds goes with it
 */
export function teachingCounts(events: readonly BatchEvent[], trays_count: number): SownBatch | null {
  const kept = effectiveEvents(events);
  if (isLeftOut(kept)) return null;
  const out = new Set(kept.flatMap((e) => (e.kind === 'left-out' && e.tray ? [e.tray] : [])));
  if (out.size === 0) return countsAmong(kept);
  const rest = kept.filter((e) => !(e.kind === 'counted' && e.tray && out.has(e.tray)));
  const seen = countsAmong(rest);
  if (!seen || out.size >= trays_count) return null;
  const sown = Math.max(seen.counts.at(-1)?.up ?? 0, Math.round((seen.sown * (trays_count - out.size)) / trays_count));
  return { ...seen, sown };
}

function countsAmong(kept: readonly BatchEvent[]): SownBatch | null {
  const sowing = kept.find((e) => e.kind === 'sown');
  if (!sowing || sowing.count === null) return null;
  const trays = new Map<number, { day: DayNumber; up: number }>();
  const all = new Set(kept.flatMap((e) => (e.kind === 'counted' && e.tray ? [e.tray] : [])));
  const byDay = new Map<DayNumber, number>();
  let lost = 0;
  for (const event of kept) {
    if (event.kind === 'potted' || event.kind === 'hardening-started') break;
    if (event.kind === 'lost') lost += event.count ?? 0;
    if ((event.kind !== 'counted' && event.kind !== 'emerged') || event.count === null) continue;
    if (event.kind === 'counted' && event.tray) {
      trays.set(event.tray, { day: event.day, up: event.count });
      const today = [...trays.values()].filter(({ day }) => day === event.day);
      if (today.length < all.size) continue;
      byDay.set(event.day, today.reduce((sum, { up }) => sum + up, 0) + lost);
    } else byDay.set(event.day, event.count + lost);
  }
  const counts: CountOn[] = [];
  for (const [day, up] of [...byDay].sort(([a], [b]) => a - b)) {
    const before = counts.at(-1)?.up ?? 0;
    // A miscount of one or two downward is not a fall: what was up was up.
    counts.push({ day, up: Math.min(sowing.count, Math.max(before, up)) });
  }
  return { sownOn: sowing.day, sown: sowing.count, counts };
}

/** Progress towards half up from the noon of sowing to the noon of a day, through the places the batch stood and is to stand in. */
export function progressThrough(
  crop: Crop,
  tables: SeasonTables,
  sownOn: DayNumber,
  stays: readonly Stay[],
  plan: { readonly places: StagePlaces },
  offHeatOn: DayNumber | null,
): (day: DayNumber) => number {
  const legs: { placeId: number; from: DayNumber }[] = stays.length > 0 ? stays.map((s) => ({ ...s })) : [];
  if (legs.length === 0 && plan.places.germinate !== null) legs.push({ placeId: plan.places.germinate, from: sownOn });
  const last = legs.at(-1);
  if (last && offHeatOn !== null && plan.places.grow !== null && offHeatOn > last.from)
    legs.push({ placeId: plan.places.grow, from: offHeatOn });
  return (day) => {
    let progress = 0;
    legs.forEach((leg, i) => {
      const from = Math.max(noonOf(sownOn), i === 0 ? -Infinity : noonOf(leg.from));
      const to = Math.min(noonOf(day), i + 1 < legs.length ? noonOf(legs[i + 1]!.from) : Infinity);
      if (to <= from) return;
      const integral = tables.germinationOf(crop, leg.placeId);
      progress += totalAt(integral, to) - totalAt(integral, from);
    });
    return progress;
  };
}

/** The counts with the progress made by each, for weighing against what is expected. */
export function looksOf(batch: SownBatch, progressOn: (day: DayNumber) => number): LookOn[] {
  return batch.counts
    .filter(({ day }) => day > batch.sownOn)
    .map(({ day, up }) => ({ day, up, progress: progressOn(day) }));
}
