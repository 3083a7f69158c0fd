import type { Corners, Picture, Point } from './picture.ts';

/** The nine numbers by which a plane is seen as another, row by row; the last is 1. */
export type Homography = readonly number[];

/**
 * How the plane in which `from` lies is seen, so that each of its four points comes to its fellow in `to`: the direct linear
 * transform of four points (Hartley & Zisserman 2004, Multiple View Geometry, ch. 4; from memory).
 * @returns null where three of the points lie in a line
 */
export function homographyOf(from: Corners, to: Corners): Homography | null {
  if (inLine(from) || inLine(to)) return null;
  const rows: number[][] = [];
  for (let i = 0; i < 4; i++) {
    const [p, q] = [from[i]!, to[i]!];
    rows.push([p.x, p.y, 1, 0, 0, 0, -p.x * q.x, -p.y * q.x, q.x]);
    rows.push([0, 0, 0, p.x, p.y, 1, -p.x * q.y, -p.y * q.y, q.y]);
  }
  const solved = solve(rows);
  return solved && [...solved, 1];
}

/** Twice the area of the triangle of three corners in turn, from each; negative where they turn the other way. */
const turnsOf = (corners: Corners): number[] =>
  corners.map((p, i) => {
    const [q, r] = [corners[(i + 1) % 4]!, corners[(i + 2) % 4]!];
    return (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
  });

/** Whether three of four points lie in a line. */
function inLine(corners: Corners): boolean {
  const sides = corners.map((p, i) => Math.hypot(corners[(i + 1) % 4]!.x - p.x, corners[(i + 1) % 4]!.y - p.y));
  const large = Math.max(...sides) ** 2;
  return turnsOf(corners).some((turn) => Math.abs(turn) <= 1e-9 * large);
}

/** Gauss with the largest pivot, of n rows of n + 1; null: no single solution. */
function solve(rows: number[][]): number[] | null {
  const n = rows.length;
  const scale = Math.max(1, ...rows.flat().map(Math.abs));
  for (let k = 0; k < n; k++) {
    let best = k;
    for (let i = k + 1; i < n; i++) if (Math.abs(rows[i]![k]!) > Math.abs(rows[best]![k]!)) best = i;
    [rows[k], rows[best]] = [rows[best]!, rows[k]!];
    const pivot = rows[k]![k]!;
    if (Math.abs(pivot) < 1e-12 * scale) return null;
    for (let i = 0; i < n; i++) {
      if (i === k) continue;
      const times = rows[i]![k]! / pivot;
      if (times !== 0) for (let j = k; j <= n; j++) rows[i]![j]! -= times * rows[k]![j]!;
    }
  }
  return rows.map((row, k) => row[n]! / row[k]!);
}

/** Where a point of the one plane is seen in the other. */
export function seenAt(h: Homography, { x, y }: Point): Point {
  const w = h[6]! * x + h[7]! * y + h[8]!;
  return { x: (h[0]! * x + h[1]! * y + h[2]!) / w, y: (h[3]! * x + h[4]! * y + h[5]!) / w };
}

/** Looks taken for each pixel of the straightened picture, each way: a small seedling does not fall between them. */
const LOOKS = 2;

/**
 * What lies within the corners, straightened to a rectangle; bilinear between pixels.
 * @returns null where the corners are those of no tray: not clockwise, crossed, or in a line
 */
export function straighten(picture: Picture, corners: Corners, width: number, height: number): Picture | null {
  if (turnsOf(corners).some((turn) => turn <= 0)) return null;
  const h = homographyOf(
    [
      { x: 0, y: 0 },
      { x: width, y: 0 },
      { x: width, y: height },
      { x: 0, y: height },
    ],
    corners,
  );
  if (!h) return null;
  const rgba = new Uint8ClampedArray(4 * width * height);
  const { width: W, height: H, rgba: from } = picture;
  const [h0, h1, h2, h3, h4, h5, h6, h7] = h as readonly number[] as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      let red = 0;
      let green = 0;
      let blue = 0;
      for (let look = 0; look < LOOKS * LOOKS; look++) {
        const u = x + ((look % LOOKS) + 0.5) / LOOKS;
        const v = y + (Math.floor(look / LOOKS) + 0.5) / LOOKS;
        const w = h6 * u + h7 * v + 1;
        // Pixels are seen at their middle.
        const px = Math.min(W - 1.001, Math.max(0, (h0 * u + h1 * v + h2) / w - 0.5));
        const py = Math.min(H - 1.001, Math.max(0, (h3 * u + h4 * v + h5) / w - 0.5));
        const x0 = Math.floor(px);
        const y0 = Math.floor(py);
        const fx = px - x0;
        const fy = py - y0;
        const at = 4 * (y0 * W + x0);
        const under = at + 4 * W;
        const [a, b, c, d] = [(1 - fx) * (1 - fy), fx * (1 - fy), (1 - fx) * fy, fx * fy];
        red += a * from[at]! + b * from[at + 4]! + c * from[under]! + d * from[under + 4]!;
        green += a * from[at + 1]! + b * from[at + 5]! + c * from[under + 1]! + d * from[under + 5]!;
        blue += a * from[at + 2]! + b * from[at + 6]! + c * from[under + 2]! + d * from[under + 6]!;
      }
      const to = 4 * (y * width + x);
      const looks = LOOKS * LOOKS;
      rgba[to] = red / looks;
      rgba[to + 1] = green / looks;
      rgba[to + 2] = blue / looks;
      rgba[to + 3] = 255;
    }
  return { width, height, rgba };
}
