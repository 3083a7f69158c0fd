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
}

type Order = (a: Layable, b: Layable) => number;
const ORDERS: readonly Order[] = [
  (a, b) => a.from - b.from || b.slots - a.slots,
  (a, b) => b.to - b.from - (a.to - a.from) || a.from - b.from,
  (a, b) => b.slots - a.slots || a.from - b.from,
];

/**
 * Lays bands into a lane so that none overlap: each takes the highest gap that holds it for as long as it stands. Of
 * three orders of laying the one that needs the least depth is taken, since gaps left by laying are no lack of room.
 */
export function stackBands<T extends Layable>(
  bands: readonly T[],
  room_slots: number,
): { laid: Laid<T>[]; depth: number } {
  let best: { laid: Laid<T>[]; depth: number } | null = null;
  for (const order of ORDERS) {
    const tried = lay([...bands].sort(order));
    if (!best || tried.depth < best.depth - 1e-9) best = tried;
    if (best.depth <= room_slots + 1e-9) break;
  }
  return best ?? { laid: [], depth: 0 };
}

function lay<T extends Layable>(sorted: readonly T[]): { laid: Laid<T>[]; depth: number } {
  const laid: Laid<T>[] = [];
  let depth = 0;
  for (const band of sorted) {
    const taken = laid
      .filter(({ band: other }) => other.to > band.from && other.from < band.to)
      .map((other) => [other.top, other.top + other.band.slots] as const)
      .sort((a, b) => a[0] - b[0]);
    let top = 0;
    for (const [start, end] of taken) {
      if (start - top >= band.slots - 1e-9) break;
      top = Math.max(top, end);
    }
    laid.push({ band, top });
    depth = Math.max(depth, top + band.slots);
  }
  return { laid, depth };
}

/** A run of days with the same number of slots over room. */
export interface OverDays {
  readonly from: number;
  readonly to: number;
  readonly slots: number;
}

/** How far a lane is over its room, day by day, days alike taken together. */
export function overByDay(bands: readonly Layable[], room_slots: number): OverDays[] {
  const change = new Map<number, number>();
  for (const { from, to, slots } of bands) {
    change.set(from, (change.get(from) ?? 0) + slots);
    change.set(to, (change.get(to) ?? 0) - slots);
  }
  const runs: OverDays[] = [];
  let used = 0;
  const days = [...change.keys()].sort((a, b) => a - b);
  days.forEach((day, i) => {
    used += change.get(day)!;
    const slots = used - room_slots;
    if (slots > 1e-9 && i + 1 < days.length) runs.push({ from: day, to: days[i + 1]!, slots });
  });
  return runs;
}
