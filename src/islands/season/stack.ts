/** A band to be laid into a lane: days it lasts and tray slots it takes. */
export interface Layable {
  readonly from: number;
  readonly to: number;
  readonly slots: number;
}

export interface Laid<T extends Layable> {
  readonly band: T;
  /** Slots from the top of the lane. */
  readonly top: number;
  /** Whether it reaches past the lane's room on a day when there really is more than the room holds. */
  readonly over: boolean;
}

/**
 * Lays bands into a lane so that none overlap: each in order of its first day takes the highest gap that holds it for as
 * long as it stands. What finds no gap within the room hangs out below it.
 */
export function stackBands<T extends Layable>(
  bands: readonly T[],
  room_slots: number,
): { laid: Laid<T>[]; depth: number } {
  const laid: Laid<T>[] = [];
  let depth = room_slots;
  let live: Laid<T>[] = [];
  for (const band of [...bands].sort((a, b) => a.from - b.from || b.slots - a.slots)) {
    live = live.filter((other) => other.band.to > band.from);
    const taken = live.map((other) => [other.top, other.top + other.band.slots] as const).sort((a, b) => a[0] - b[0]);
    let top = 0;
    for (const [start, end] of taken) {
      if (start - top >= band.slots - 1e-9) break;
      top = Math.max(top, end);
    }
    const outside = top + band.slots > room_slots + 1e-9;
    const placed = { band, top, over: outside && overfull(bands, band, room_slots) };
    laid.push(placed);
    live.push(placed);
    depth = Math.max(depth, top + band.slots);
  }
  return { laid, depth };
}

/** Whether the lane holds more than its room on some day of a band: laying can leave gaps that are no lack of room. */
function overfull(bands: readonly Layable[], band: Layable, room_slots: number): boolean {
  for (let day = band.from; day < band.to; day++) {
    let used = 0;
    for (const other of bands) if (other.from <= day && other.to > day) used += other.slots;
    if (used > room_slots) return true;
  }
  return false;
}
