import type { DayNumber } from '../../calendar/dayNumber.ts';

/** A run of days in which a place holds more than it has room for. `to` is the first day it fits again. */
export interface OverRoom {
  readonly placeId: number;
  readonly from: DayNumber;
  readonly to: DayNumber;
  /** Most tray slots over room on any of these days. */
  readonly most_slots: number;
}

interface Standing {
  readonly placeId: number;
  readonly from: DayNumber;
  readonly to: DayNumber;
  readonly slots: number;
}

/** Tray slots taken in each place on each day of [from, from + days). */
export function roomUsed(stands: readonly Standing[], from: DayNumber, days: number): Map<number, Float64Array> {
  const used = new Map<number, Float64Array>();
  for (const stand of stands) {
    let row = used.get(stand.placeId);
    if (!row) used.set(stand.placeId, (row = new Float64Array(days)));
    const end = Math.min(stand.to, from + days);
    for (let day = Math.max(stand.from, from); day < end; day++) row[day - from]! += stand.slots;
  }
  return used;
}

/** A place as far as its room goes: none on the days it is closed, both ends included. */
export interface Room {
  readonly id: number;
  readonly room_trays: number;
  readonly closed?: readonly { readonly from: DayNumber; readonly to: DayNumber }[];
}

/** Tray slots a place has on a day. */
export function roomOn({ room_trays, closed }: Room, day: DayNumber): number {
  return closed?.some((run) => day >= run.from && day <= run.to) ? 0 : room_trays;
}

/** A place is over room by more than this, tray slots: less is the rounding of sums. */
export const OVER_slots = 1e-6;
/** No season reaches further than this. */
const MOST_AHEAD_days = 1_000;

/** Days from a day to the last on which anything stands anywhere: as far as the season itself reaches, at least a day. */
export function horizonDays(stands: readonly Pick<Standing, 'to'>[], from: DayNumber): number {
  let last = from;
  for (const stand of stands) if (stand.to > last) last = stand.to;
  return Math.min(MOST_AHEAD_days, Math.max(1, last - from + 1));
}

/** Every run of days over room, place by place, in order of day. */
export function overRoom(
  stands: readonly Standing[],
  rooms: readonly Room[],
  from: DayNumber,
  days: number,
): OverRoom[] {
  const used = roomUsed(stands, from, days);
  const runs: OverRoom[] = [];
  for (const room of rooms) {
    const { id } = room;
    const row = used.get(id);
    if (!row) continue;
    let start = -1;
    let most = 0;
    for (let i = 0; i <= days; i++) {
      const over = i < days ? row[i]! - roomOn(room, from + i) : 0;
      if (over > OVER_slots) {
        if (start < 0) start = i;
        most = Math.max(most, over);
      } else if (start >= 0) {
        runs.push({
          placeId: id,
          from: from + start,
          to: from + i,
          most_slots: most,
        });
        start = -1;
        most = 0;
      }
    }
  }
  return runs.sort((a, b) => a.from - b.from || a.placeId - b.placeId);
}

/** Runs over room that were not there before, or reach higher than before. */
export function newlyOver(before: readonly OverRoom[], after: readonly OverRoom[]): OverRoom[] {
  return after.filter(
    (run) =>
      !before.some(
        (old) =>
          old.placeId === run.placeId && old.from <= run.from && old.to >= run.to && old.most_slots >= run.most_slots,
      ),
  );
}
