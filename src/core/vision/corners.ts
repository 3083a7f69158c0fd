import { componentsOf } from './components.ts';
import { otsu } from './otsu.ts';
import type { Corners, Picture, Point } from './picture.ts';

/** The picture is looked at this wide: corners are wanted to a hundredth. */
const WIDE_px = 240;
/** A tray fills its four corners and a good part of the picture; else something else was found. */
const LEAST_filled = 0.8;
const LEAST_share = 0.12;
/** How far the tray's colours lie from those it stands on, of 255: less is but noise. */
const LEAST_contrast = 30;

/**
 * The corners of a tray that stands out from what it stands on, clockwise from the first cell's: what differs most in colour from the
 * rim of the picture, its two points farthest apart and on each side of them the farthest from their line.
 * @param columns and rows of the tray, by which a picture taken from its short side is turned
 * @returns null where no tray stands out: then they are put by finger
 */
export function findCorners(picture: Picture, rows: number, columns: number): Corners | null {
  const by = Math.max(1, picture.width / WIDE_px);
  const width = Math.floor(picture.width / by);
  const height = Math.floor(picture.height / by);
  const at = (x: number, y: number): number =>
    4 * (Math.floor((y + 0.5) * by) * picture.width + Math.floor((x + 0.5) * by));
  const rim = rimOf(picture, width, height, at);
  const counts = new Uint32Array(256);
  const far = new Uint8Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = at(x, y);
      let sum = 0;
      for (let c = 0; c < 3; c++) sum += (picture.rgba[i + c]! - rim[c]!) ** 2;
      far[y * width + x] = Math.min(255, Math.sqrt(sum));
      counts[far[y * width + x]!]!++;
    }
  const line = otsu(counts);
  if (contrastOf(counts, line) < LEAST_contrast) return null;
  const mask = closed(
    far.map((d) => (d > line ? 1 : 0)),
    width,
    height,
  );
  const { of, blobs } = componentsOf(mask, width, height);
  const largest = blobs.reduce((best, blob, i) => (blob.area > (blobs[best]?.area ?? 0) ? i : best), 0);
  const blob = blobs[largest];
  if (!blob || blob.area < LEAST_share * width * height) return null;
  const edge = edgeOf(of, largest + 1, width, height);
  const [a, c] = farthestApart(edge);
  const b = farthestFrom(a, c, edge, 1);
  const d = farthestFrom(a, c, edge, -1);
  if (!b || !d) return null;
  const found = clockwise([a, b, c, d]);
  if (blob.area < LEAST_filled * areaOf(found)) return null;
  const whole = found.map(({ x, y }) => ({ x: (x + 0.5) * by, y: (y + 0.5) * by })) as unknown as Corners;
  return turned(whole, rows, columns);
}

/** How far the upper part of a histogram lies above the lower. */
function contrastOf(counts: Uint32Array, line: number): number {
  const mean = (from: number, to: number): number => {
    let [n, sum] = [0, 0];
    for (let d = from; d <= to; d++) {
      n += counts[d]!;
      sum += d * counts[d]!;
    }
    return n === 0 ? 0 : sum / n;
  };
  return mean(line + 1, counts.length - 1) - mean(0, line);
}

/** The usual colour of the picture's rim: what the tray stands on. */
function rimOf({ rgba }: Picture, width: number, height: number, at: (x: number, y: number) => number): number[] {
  const seen: number[][] = [[], [], []];
  for (let x = 0; x < width; x++)
    for (const y of [0, 1, height - 2, height - 1]) for (let c = 0; c < 3; c++) seen[c]!.push(rgba[at(x, y) + c]!);
  for (let y = 0; y < height; y++)
    for (const x of [0, 1, width - 2, width - 1]) for (let c = 0; c < 3; c++) seen[c]!.push(rgba[at(x, y) + c]!);
  return seen.map((values) => values.sort((p, q) => p - q)[values.length >> 1]!);
}

/** Small gaps filled: grown by two pixels and shrunk again. */
function closed(mask: Uint8Array, width: number, height: number): Uint8Array {
  const step = (from: Uint8Array, grown: number): Uint8Array => {
    const to = Uint8Array.from(from);
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const i = y * width + x;
        if (
          (x > 0 && from[i - 1] === grown) ||
          (x < width - 1 && from[i + 1] === grown) ||
          (y > 0 && from[i - width] === grown) ||
          (y < height - 1 && from[i + width] === grown)
        )
          to[i] = grown;
      }
    return to;
  };
  return step(step(step(step(mask, 1), 1), 0), 0);
}

/** Points of a blob that lie at the ends of its rows and columns: all corners of its hull are among them. */
function edgeOf(of: Int32Array, label: number, width: number, height: number): Point[] {
  const points: Point[] = [];
  for (let y = 0; y < height; y++) {
    let [first, last] = [-1, -1];
    for (let x = 0; x < width; x++) {
      if (of[y * width + x] !== label) continue;
      if (first < 0) first = x;
      last = x;
    }
    if (first >= 0) points.push({ x: first, y }, { x: last, y });
  }
  return points;
}

const apart = (p: Point, q: Point): number => (p.x - q.x) ** 2 + (p.y - q.y) ** 2;

function farthestApart(points: readonly Point[]): [Point, Point] {
  let [a, c, most] = [points[0]!, points[0]!, -1];
  for (const p of points) for (const q of points) if (apart(p, q) > most) [a, c, most] = [p, q, apart(p, q)];
  return [a, c];
}

/** The point farthest from a line, on one side of it. */
function farthestFrom(a: Point, c: Point, points: readonly Point[], side: number): Point | null {
  let best: Point | null = null;
  let most = 0;
  for (const p of points) {
    const off = side * ((c.x - a.x) * (p.y - a.y) - (c.y - a.y) * (p.x - a.x));
    if (off > most) [best, most] = [p, off];
  }
  return best;
}

/** Clockwise on the screen, from the one nearest the top left. */
function clockwise(points: readonly Point[]): Corners {
  const x = points.reduce((sum, p) => sum + p.x, 0) / 4;
  const y = points.reduce((sum, p) => sum + p.y, 0) / 4;
  const round = [...points].sort((p, q) => Math.atan2(p.y - y, p.x - x) - Math.atan2(q.y - y, q.x - x));
  const first = round.reduce((best, p, i) => (p.x + p.y < round[best]!.x + round[best]!.y ? i : best), 0);
  return [0, 1, 2, 3].map((i) => round[(first + i) % 4]!) as unknown as Corners;
}

function areaOf(corners: Corners): number {
  let sum = 0;
  for (let i = 0; i < 4; i++) {
    const [p, q] = [corners[i]!, corners[(i + 1) % 4]!];
    sum += p.x * q.y - q.x * p.y;
  }
  return Math.abs(sum) / 2;
}

/** Begun a corner later where the tray was taken from its side: cells are about square. */
function turned(corners: Corners, rows: number, columns: number): Corners {
  const side = (i: number): number => Math.sqrt(apart(corners[i]!, corners[(i + 1) % 4]!));
  const along = Math.log((side(0) + side(2)) / (side(1) + side(3)));
  const wanted = Math.log(columns / rows);
  if (Math.abs(along - wanted) <= Math.abs(-along - wanted)) return corners;
  return [corners[1], corners[2], corners[3], corners[0]];
}
