import { componentsOf, type Blob } from './components.ts';
import { balanceOf, greenOf } from './green.ts';
import { straighten } from './homography.ts';
import type { Corners, Picture } from './picture.ts';

/** What is seen of a cell. */
export type CellKind = 'empty' | 'one' | 'doubled' | 'doubtful';

export interface Cell {
  /** From 0, from the first corner on. */
  readonly row: number;
  readonly column: number;
  readonly kind: CellKind;
  /** Plants taken to be in it: 0, 1 or 2. A doubtful one counts as what is likelier. */
  readonly plants: number;
}

/** Why a count from a picture is not to be trusted as it stands. */
export type Doubt = 'dark' | 'glare' | 'blurred' | 'colour' | 'covered' | 'many-doubtful';

export interface TrayCount {
  readonly cells: readonly Cell[];
  /** Cells with something up. */
  readonly up: number;
  readonly empty: number;
  readonly doubled: number;
  readonly doubtful: number;
  readonly doubts: readonly Doubt[];
}

/** What a house's corrections have settled: how green a leaf is, how small a seedling, and how large two are. */
export interface Settled {
  /** Added to the excess green from which something is a leaf. */
  readonly shift: number;
  /** Share of a cell below which a green speck is no seedling. */
  readonly least_frac: number;
  /** How often the usual area of a seedling two of them have. */
  readonly twice: number;
}
export const USUAL: Settled = { shift: 0, least_frac: 0.006, twice: 1.6 };

/** Pixels of a straightened cell, each way. */
const CELL_px = 40;
/** Leaves wider than a good third of a cell touch those of its neighbours: then only the middle of a cell tells. */
const CANOPY_frac = 0.3;
/** Two middles nearer than this, in cells, are leaves of one seedling. */
const ONE_cells = 0.2;

/**
 * Counts the cells of a tray in a picture in which something is up: straightened, the lamps' colour taken out, what is green found and
 * told apart by cells. The count is offered, never taken as it is: what is doubtful is said.
 * @param corners of the tray, clockwise from its first cell
 * @returns null where the corners are those of no tray
 */
export function countCells(
  picture: Picture,
  corners: Corners,
  rows: number,
  columns: number,
  settled: Settled = USUAL,
): TrayCount | null {
  const width = columns * CELL_px;
  const tray = straighten(picture, corners, width, rows * CELL_px);
  if (!tray) return null;
  const balance = balanceOf(tray);
  const { mask, apart } = greenOf(tray, balance, settled.shift);
  const { of, blobs } = componentsOf(mask, width, rows * CELL_px);
  const cell_px = CELL_px * CELL_px;
  const leaves = blobs
    .map((blob, i) => ({ ...blob, label: i + 1 }))
    .filter(({ area }) => area >= settled.least_frac * cell_px);
  const sizes = leaves.map(({ area }) => area).sort((a, b) => a - b);
  const usual = sizes[sizes.length >> 1] ?? 0;
  const canopy = usual > CANOPY_frac * cell_px || leaves.some(({ left, right }) => right - left > 2.5 * CELL_px);
  const known = new Uint8Array(blobs.length + 1);
  for (const { label } of leaves) known[label] = 1;
  const cells: Cell[] = [];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const at = { row, column };
      const inCell = leaves.filter(({ x, y }) => Math.floor(x / CELL_px) === column && Math.floor(y / CELL_px) === row);
      // What hangs together over several cells belongs to none alone: there the middle of each cell tells.
      const own = inCell.filter((blob) => !spans(blob, row, column));
      const lies = sharesOf(of, known, row, column, width);
      cells.push({ ...at, ...(canopy ? inCanopy(lies, own, usual, settled) : alone(own, usual, lies, settled)) });
    }
  const of_ = (kind: CellKind): number => cells.filter((cell) => cell.kind === kind).length;
  const doubtful = of_('doubtful');
  const doubts = doubtsOf(tray, mask, apart, cells.length, doubtful);
  const up = cells.filter(({ plants }) => plants > 0).length;
  return { cells, up, empty: of_('empty'), doubled: of_('doubled'), doubtful, doubts };
}

/** Whether a blob reaches well beyond the cell of its middle. */
function spans({ left, right, top, bottom }: Blob, row: number, column: number): boolean {
  const over = Math.max(
    column * CELL_px - left,
    right - (column + 1) * CELL_px,
    row * CELL_px - top,
    bottom - (row + 1) * CELL_px,
  );
  return over > 0.3 * CELL_px;
}

interface Lies {
  /** Share of the cell that is green, and of its middle. */
  readonly whole: number;
  readonly middle: number;
}

/** Pixels of a cell that are near its middle. */
const MIDDLE = Uint8Array.from({ length: CELL_px * CELL_px }, (_, i) => {
  const [x, y] = [i % CELL_px, Math.floor(i / CELL_px)];
  return Math.hypot(x + 0.5 - CELL_px / 2, y + 0.5 - CELL_px / 2) < 0.22 * CELL_px ? 1 : 0;
});
const MIDDLE_px = MIDDLE.reduce((sum, one) => sum + one, 0);

/** @param known 1 for each blob that is a leaf, by its number */
function sharesOf(of: Int32Array, known: Uint8Array, row: number, column: number, width: number): Lies {
  let [whole, middle] = [0, 0];
  for (let y = 0; y < CELL_px; y++)
    for (let x = 0; x < CELL_px; x++) {
      const green = known[of[(row * CELL_px + y) * width + column * CELL_px + x]!]!;
      whole += green;
      middle += green * MIDDLE[y * CELL_px + x]!;
    }
  return { whole: whole / (CELL_px * CELL_px), middle: middle / MIDDLE_px };
}

type Seen = Pick<Cell, 'kind' | 'plants'>;
const EMPTY: Seen = { kind: 'empty', plants: 0 };
const ONE: Seen = { kind: 'one', plants: 1 };
const TWO: Seen = { kind: 'doubled', plants: 2 };
const doubtful = (plants: number): Seen => ({ kind: 'doubtful', plants });

/** Seedlings that stand clear of each other: by what lies in the cell. */
function alone(own: readonly Blob[], usual: number, lies: Lies, settled: Settled): Seen {
  const { twice } = settled;
  const area = own.reduce((sum, blob) => sum + blob.area, 0);
  if (own.length === 0) return lies.whole > 0.1 ? inCanopy(lies, own, usual, settled) : EMPTY;
  if (own.length === 1) {
    if (area > (twice + 0.5) * usual) return TWO;
    return area > twice * usual ? doubtful(2) : area < 0.2 * usual ? doubtful(1) : ONE;
  }
  const [first, second] = [...own].sort((a, b) => b.area - a.area) as [Blob, Blob];
  const gap = Math.hypot(first.x - second.x, first.y - second.y) / CELL_px;
  if (gap < ONE_cells || second.area < 0.3 * usual) return area > twice * usual ? doubtful(2) : ONE;
  return area > 1.3 * usual ? TWO : area > usual ? doubtful(2) : ONE;
}

/** Leaves that touch across cells: by the middle of the cell, where the stem stands. */
function inCanopy({ whole, middle }: Lies, own: readonly Blob[], usual: number, { twice }: Settled): Seen {
  if (middle > 0.3) return ONE;
  const area = own.reduce((sum, blob) => sum + blob.area, 0);
  if (area > 0.4 * usual) return own.length > 1 && area > twice * usual ? TWO : ONE;
  if (middle < 0.08 && whole < 0.25) return EMPTY;
  return doubtful(middle > 0.12 || whole > 0.4 ? 1 : 0);
}

/** Doubts of the picture as a whole. */
function doubtsOf(
  { rgba, width, height }: Picture,
  mask: Uint8Array,
  apart: number,
  cells: number,
  doubtfulCells: number,
): Doubt[] {
  const n = width * height;
  let [light, glare, edges, green] = [0, 0, 0, 0];
  const lightOf = (i: number): number => (rgba[4 * i]! + rgba[4 * i + 1]! + rgba[4 * i + 2]!) / 3;
  for (let i = 0; i < n; i++) {
    light += lightOf(i);
    if (Math.min(rgba[4 * i]!, rgba[4 * i + 1]!, rgba[4 * i + 2]!) > 245) glare++;
    green += mask[i]!;
    const x = i % width;
    if (x > 0 && x < width - 1 && i >= width && i < n - width)
      edges += Math.abs(4 * lightOf(i) - lightOf(i - 1) - lightOf(i + 1) - lightOf(i - width) - lightOf(i + width));
  }
  const doubts: Doubt[] = [];
  if (light / n < 30) doubts.push('dark');
  if (glare / n > 0.04) doubts.push('glare');
  // Edges weak for the light there is: nothing is sharp.
  if (edges / Math.max(1, light) < 0.05) doubts.push('blurred');
  if (green > 0 && apart < 0.1) doubts.push('colour');
  // Moss, algae or leaves from edge to edge: cells cannot be told.
  if (green / n > 0.7) doubts.push('covered');
  if (doubtfulCells > 0.15 * cells) doubts.push('many-doubtful');
  return doubts;
}
