import { readFileSync } from 'node:fs';
import { countCells } from '../src/core/vision/countCells.ts';
import { findCorners } from '../src/core/vision/corners.ts';
import type { Corners, Picture } from '../src/core/vision/picture.ts';

/** Wider pictures are made smaller first, as the application's canvas does. */
const MOST_px = 1600;

/**
 * Counts the cells of a tray in a picture file, to try one's own photographs.
 * @param asked corners as "x,y x,y x,y x,y", clockwise from the first cell, in pixels of the file; undefined: they are looked for
 * @throws RangeError for a file that is no picture, corners that are none, or where no tray stands out
 */
export async function countPhoto(file: string, rows: number, columns: number, asked?: string): Promise<object> {
  const { decode } = await import('image-js');
  let picture: Picture;
  let by = 1;
  try {
    let image = decode(readFileSync(file)).convertColor('RGBA');
    by = Math.max(1, image.width / MOST_px);
    if (by > 1) image = image.resize({ width: MOST_px });
    picture = { width: image.width, height: image.height, rgba: new Uint8ClampedArray(image.getRawImage().data) };
  } catch (error) {
    throw new RangeError(`${file} cannot be read as a picture: ${(error as Error).message}`);
  }
  const corners = asked === undefined ? findCorners(picture, rows, columns) : cornersOf(asked, by);
  if (!corners) throw new RangeError('No tray stands out from what it stands on: name its corners with --corners.');
  const counted = countCells(picture, corners, rows, columns);
  if (!counted) throw new RangeError('The corners are those of no tray: name them clockwise, from the first cell.');
  const marks = { empty: '.', one: '1', doubled: '2', doubtful: '?' } as const;
  const { cells, ...sums } = counted;
  return {
    ...sums,
    of: rows * columns,
    corners: corners.map(({ x, y }) => [Math.round(x * by), Math.round(y * by)]),
    rows: Array.from({ length: rows }, (_, row) =>
      cells
        .slice(row * columns, (row + 1) * columns)
        .map(({ kind }) => marks[kind])
        .join(''),
    ),
    explanation:
      'straightened by a homography, lamps balanced by shades of grey, excess green parted by Otsu, blobs told apart by cells; . none, 1 one, 2 two, ? look again',
    source: 'Woebbecke et al. 1995; Otsu 1979; Finlayson & Trezzi 2004 (from memory); tried on drawn trays alone',
  };
}

function cornersOf(asked: string, by: number): Corners {
  const points = asked.split(' ').map((point) => point.split(',').map(Number));
  if (points.length !== 4 || points.some((point) => point.length !== 2 || !point.every(Number.isFinite)))
    throw new RangeError('--corners needs four points such as "40,30 980,42 990,640 30,650"');
  return points.map(([x, y]) => ({ x: x! / by, y: y! / by })) as unknown as Corners;
}
