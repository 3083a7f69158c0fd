import { expose } from 'comlink';
import { findCorners } from '../core/vision/corners.ts';
import { countCells, type Settled, type TrayCount } from '../core/vision/countCells.ts';
import { countPan, type PanCount } from '../core/vision/pan.ts';
import type { Corners, Picture } from '../core/vision/picture.ts';

/** What is laid over a picture. */
export interface Grid {
  readonly rows: number;
  readonly columns: number;
}

let picture: Picture | null = null;

/** Counts in pictures, beside the page. */
const api = {
  /** Takes a picture; answers where a tray stands out in it, null: nowhere. */
  take(taken: Picture, { rows, columns }: Grid): Corners | null {
    picture = taken;
    return findCorners(taken, rows, columns);
  },
  tray(corners: Corners, { rows, columns }: Grid, settled: Settled): TrayCount | null {
    return picture && countCells(picture, corners, rows, columns, settled);
  },
  pan(corners: Corners, settled: Settled): PanCount | null {
    return picture && countPan(picture, corners, undefined, settled);
  },
};
export type VisionApi = typeof api;
expose(api);
