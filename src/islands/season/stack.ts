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
  /** Whether it reaches past the lane's room. */
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
    const placed = { band, top, over: top + band.slots > room_slots + 1e-9 };
    laid.push(placed);
    live.push(placed);
    depth = Math.max(depth, top + band.slots);
  }
  return { laid, depth };
}
