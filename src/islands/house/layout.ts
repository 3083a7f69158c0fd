import type { Place } from '../../core/books/place.ts';
import type { Worked } from '../plan/useSeason.ts';

export interface Rect {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A place on the plan, pixels, with the grid its trays stand in. */
export interface DrawnPlace {
  readonly place: Place;
  readonly rect: Rect;
  readonly columns: number;
  readonly rows: number;
}

/** Room for the name above a place, pixels. */
export const NAME_px = 34;
/** Room a place needs that has no size: so much for each tray slot, square metres. A tray of 0.6 x 0.4 m. */
const SLOT_m2 = 0.24;
const GAP_m = 0.6;

/**
 * Places to scale. Those without a size of their own are laid in rows below the others, as large as their room in trays
 * would be. Returns the drawing's height for a width in pixels.
 */
export function layHouse(places: readonly Place[], width_px: number): { drawn: DrawnPlace[]; height_px: number } {
  const sized = places.filter((place) => place.size);
  const loose = places.filter((place) => !place.size);
  const widest_m = Math.max(6, ...sized.map((p) => p.size!.x_m + p.size!.width_m));
  let y_m = sized.length > 0 ? Math.max(...sized.map((p) => p.size!.y_m + p.size!.depth_m)) + GAP_m : 0;
  let x_m = 0;
  let row_m = 0;
  const boxes = new Map(sized.map((p) => [p.id, { ...p.size! }]));
  for (const place of loose) {
    const depth_m = 1.4;
    const width_m = Math.min(widest_m, Math.max(1.6, (place.room_trays * SLOT_m2) / depth_m));
    if (x_m > 0 && x_m + width_m > widest_m) [x_m, y_m, row_m] = [0, y_m + row_m + GAP_m, 0];
    boxes.set(place.id, { x_m, y_m, width_m, depth_m, shelves: 1 });
    x_m += width_m + GAP_m;
    row_m = Math.max(row_m, depth_m);
  }
  const perMetre = width_px / (widest_m + 0.2);
  // Names stand above their place, so each place one behind another pushes those before it down.
  const drawn = places.map((place): DrawnPlace => {
    const box = boxes.get(place.id)!;
    const rect = {
      x: box.x_m * perMetre,
      y: box.y_m * perMetre + (placesBehind(boxes, place.id) + 1) * NAME_px,
      width: box.width_m * perMetre,
      height: box.depth_m * perMetre,
    };
    const room = Math.max(1, Math.ceil(place.room_trays));
    const columns = Math.max(1, Math.min(room, Math.round(Math.sqrt((room * rect.width) / rect.height))));
    return { place, rect, columns, rows: Math.ceil(room / columns) };
  });
  return { drawn, height_px: Math.max(...drawn.map(({ rect }) => rect.y + rect.height)) + 26 };
}

type Box = { readonly x_m: number; readonly y_m: number; readonly width_m: number; readonly depth_m: number };

/** How many places lie one behind the other between the back of the house and this one. */
function placesBehind(boxes: ReadonlyMap<number, Box>, id: number): number {
  const box = boxes.get(id)!;
  let most = 0;
  for (const [otherId, other] of boxes) {
    const behind = other.y_m + other.depth_m <= box.y_m + 1e-6;
    const inLine = other.x_m < box.x_m + box.width_m && box.x_m < other.x_m + other.width_m;
    if (otherId !== id && behind && inLine) most = Math.max(most, placesBehind(boxes, otherId) + 1);
  }
  return most;
}

/** A batch standing in a place on a day. */
export interface Standing {
  readonly worked: Worked;
  readonly index: number;
  readonly placeId: number;
  readonly slots: number;
  readonly trays: number;
  /** Whether it stands there by the log, today or before. */
  readonly real: boolean;
}

/** What stands where on a day, largest first in each place. */
export function standingOn(worked: readonly Worked[], day: number, today: number): Map<number, Standing[]> {
  const byPlace = new Map<number, Standing[]>();
  for (const one of worked) {
    one.progress.stands.forEach((stand, index) => {
      if (stand.from > day || stand.to <= day) return;
      const standing = {
        worked: one,
        index,
        placeId: stand.placeId,
        slots: stand.slots,
        trays: stand.trays,
        real: stand.from <= today && one.batch.state.phase !== 'planned',
      };
      const list = byPlace.get(stand.placeId);
      if (list) list.push(standing);
      else byPlace.set(stand.placeId, [standing]);
    });
  }
  for (const list of byPlace.values()) list.sort((a, b) => b.slots - a.slots || a.worked.batch.id - b.worked.batch.id);
  return byPlace;
}

/** A batch's tiles: their places in the grid, and how many hang over. */
export interface Tiles {
  readonly standing: Standing;
  readonly cells: readonly { readonly column: number; readonly row: number }[];
  readonly over: number;
}

/** Lays trays into a place's grid, row by row. What finds no slot hangs over. */
export function tilesIn({ place, columns }: DrawnPlace, standing: readonly Standing[]): Tiles[] {
  const room = Math.floor(place.room_trays + 1e-6);
  let next = 0;
  return standing.map((one) => {
    const wanted = Math.max(1, Math.round(one.slots));
    const inside = Math.max(0, Math.min(wanted, room - next));
    const cells = Array.from({ length: inside }, (_, i) => ({
      column: (next + i) % columns,
      row: Math.floor((next + i) / columns),
    }));
    next += inside;
    return { standing: one, cells, over: wanted - inside };
  });
}
