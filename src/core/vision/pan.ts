import { componentsOf } from './components.ts';
import { USUAL, type Doubt, type Settled } from './countCells.ts';
import { balanceOf, greenOf } from './green.ts';
import { straighten } from './homography.ts';
import type { Corners, Picture, Point } from './picture.ts';

/** Seedlings of a pan, sown broadcast: how many, and how far the number may be off. */
export interface PanCount {
  readonly up: number;
  /** One standard deviation of the number, by what had to be split and what was hardly seen. */
  readonly error: number;
  /** Middles of what was counted, in shares of the pan's width and depth, with how many each is taken for. */
  readonly spots: readonly (Point & { readonly plants: number })[];
  readonly doubts: readonly Doubt[];
}

/** A pan is straightened to this many pixels along its longer side. */
const LONG_px = 800;
/** Smaller than this share of the pan a green speck is no seedling. */
const LEAST_frac = 0.00004;
/** A blob of so many seedlings is off by this share of them, each; and of single ones so many are leaves of one. Common practice, no source. */
const SPLIT_frac = 0.3;
const SINGLE_frac = 0.03;
/** Covered by more than this, plants can no longer be told apart. */
const COVERED_frac = 0.45;

/**
 * Counts the seedlings of a pan in a picture: what is green by blobs, larger ones taken for as many as their size has room for of the
 * usual one. Always with its error: overlapping leaves hide each other.
 * @param long_by_short long side of the pan by its short side
 * @returns null where the corners are those of no pan
 */
export function countPan(
  picture: Picture,
  corners: Corners,
  long_by_short = 1.6,
  settled: Settled = USUAL,
): PanCount | null {
  const [width, height] = [LONG_px, Math.round(LONG_px / long_by_short)];
  const pan = straighten(picture, corners, width, height);
  if (!pan) return null;
  const { mask, apart } = greenOf(pan, balanceOf(pan), settled.shift);
  const { blobs } = componentsOf(mask, width, height);
  const seen = blobs.filter(({ area }) => area >= LEAST_frac * width * height);
  const usual = usualArea(seen.map(({ area }) => area));
  const spots = seen
    .filter(({ area }) => area > 0.25 * usual)
    .map(({ x, y, area }) => ({ x: x / width, y: y / height, plants: Math.max(1, Math.round(area / usual)) }));
  const up = spots.reduce((sum, { plants }) => sum + plants, 0);
  const merged = spots.reduce((sum, { plants }) => sum + (plants > 1 ? plants : 0), 0);
  const single = up - merged;
  const green = seen.reduce((sum, { area }) => sum + area, 0) / (width * height);
  const doubts: Doubt[] = [
    ...(green > COVERED_frac ? (['covered'] as const) : []),
    ...(up > 0 && apart < 0.1 ? (['colour'] as const) : []),
    ...(merged > 0.5 * up && up > 0 ? (['many-doubtful'] as const) : []),
  ];
  return { up, error: Math.sqrt(single * SINGLE_frac + merged * SPLIT_frac + (SINGLE_frac * up) ** 2), spots, doubts };
}

/** Area of one seedling: the commonest size, as the middle of the lower two thirds, for blobs of several only add at the top. */
function usualArea(areas: readonly number[]): number {
  const sorted = [...areas].sort((a, b) => a - b);
  const lower = sorted.slice(0, Math.ceil((2 * sorted.length) / 3));
  return lower[lower.length >> 1] ?? 1;
}
