/**
 * Photographs of trays, drawn: a tray seen askew under a lamp, its cells, compost with white specks, seedlings with two leaves,
 * blurred and noisy. Written apart from what counts them: it goes from each pixel of the picture back to the tray.
 */
export interface MadeUpPhoto {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray;
  /** Corners as they were drawn, clockwise from the first cell. */
  readonly corners: [XY, XY, XY, XY];
  /** Seedlings in each cell, row by row. */
  readonly plants: readonly number[];
}
interface XY {
  x: number;
  y: number;
}

export interface PhotoOf {
  readonly rows: number;
  readonly columns: number;
  /** Share of seeds that are up, and of cells with two. */
  readonly up: number;
  readonly twice: number;
  /** Length of a leaf, in cells: 0.12 just up, 0.5 leaves touch. */
  readonly leaf: number;
  readonly lamp: 'day' | 'warm' | 'pink';
  readonly noise: number;
  readonly blur_px: number;
  readonly shadow: boolean;
  readonly random: () => number;
  readonly width?: number;
}

const LAMPS = { day: [1, 1, 1], warm: [1.18, 1, 0.68], pink: [1.2, 0.86, 1.12] } as const;

export function madeUpPhoto(of: PhotoOf): MadeUpPhoto {
  const { rows, columns, random } = of;
  const width = of.width ?? 900;
  const height = Math.round((width * (rows / columns) * 1.15) / 1);
  const gauss = (): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const off = (): number => 0.05 * (random() - 0.5);
  // Corners of the tray in the picture, askew.
  const corner = (fx: number, fy: number): XY => ({ x: width * (fx + off()), y: height * (fy + off()) });
  const corners: [XY, XY, XY, XY] = [corner(0.08, 0.08), corner(0.92, 0.08), corner(0.92, 0.92), corner(0.08, 0.92)];
  const back = planeOf(corners);

  interface Leaf {
    x: number;
    y: number;
    angle: number;
    long: number;
    wide: number;
    rgb: [number, number, number];
  }
  const leaves: Leaf[][] = [];
  const plants: number[] = [];
  for (let cell = 0; cell < rows * columns; cell++) {
    const count = random() < of.up ? (random() < of.twice ? 2 : 1) : 0;
    plants.push(count);
    const own: Leaf[] = [];
    for (let p = 0; p < count; p++) {
      const spread = count === 2 ? 0.16 : 0.07;
      let x = (cell % columns) + 0.5 + spread * gauss() * 0.8;
      let y = Math.floor(cell / columns) + 0.5 + spread * gauss() * 0.8;
      if (count === 2) x += p === 0 ? -0.17 : 0.17;
      x = Math.min((cell % columns) + 0.85, Math.max((cell % columns) + 0.15, x));
      y = Math.min(Math.floor(cell / columns) + 0.85, Math.max(Math.floor(cell / columns) + 0.15, y));
      const angle = Math.PI * random();
      const long = of.leaf * (0.8 + 0.4 * random());
      const pale = random();
      const rgb: [number, number, number] = [70 + 60 * pale, 125 + 55 * pale, 45 + 25 * random()];
      for (const side of [-1, 1])
        own.push({
          x: x + side * 0.48 * long * Math.cos(angle),
          y: y + side * 0.48 * long * Math.sin(angle),
          angle,
          long: long / 2,
          wide: (long / 2) * (0.5 + 0.2 * random()),
          rgb,
        });
    }
    leaves.push(own);
  }

  const lamp = LAMPS[of.lamp];
  const speck = new Map<number, number>();
  const grain = (u: number, v: number): number => {
    const key = Math.floor(u * 14) * 4096 + Math.floor(v * 14);
    let value = speck.get(key);
    if (value === undefined) {
      const r = random();
      value = r < 0.04 ? 3.2 : 0.75 + 0.5 * random();
      speck.set(key, value);
    }
    return value;
  };
  const rgba = new Uint8ClampedArray(4 * width * height);
  for (let py = 0; py < height; py++)
    for (let px = 0; px < width; px++) {
      const { x: u, y: v } = back(px + 0.5, py + 0.5);
      const [gx, gy] = [u * columns, v * rows];
      let rgb: readonly number[];
      if (u < 0 || v < 0 || u > 1 || v > 1) rgb = [196, 192, 184];
      else {
        const [fx, fy] = [gx % 1, gy % 1];
        const wall = Math.min(fx, fy, 1 - fx, 1 - fy);
        const g = grain(gx, gy);
        rgb = wall < 0.07 ? [34, 35, 37] : [66 * g, 52 * g, 42 * g];
        const [column, row] = [Math.floor(gx), Math.floor(gy)];
        for (let dy = -1; dy <= 1; dy++)
          for (let dx = -1; dx <= 1; dx++) {
            if (row + dy < 0 || row + dy >= rows || column + dx < 0 || column + dx >= columns) continue;
            for (const leaf of leaves[(row + dy) * columns + column + dx]!) {
              const [cos, sin] = [Math.cos(leaf.angle), Math.sin(leaf.angle)];
              const along = ((gx - leaf.x) * cos + (gy - leaf.y) * sin) / leaf.long;
              const across = (-(gx - leaf.x) * sin + (gy - leaf.y) * cos) / leaf.wide;
              if (along * along + across * across < 1) rgb = leaf.rgb.map((c) => c * (1 - 0.15 * across * across));
            }
          }
      }
      const shade = of.shadow ? 0.55 + 0.45 * Math.min(1, Math.max(0, (px / width - 0.3) * 4)) : 1;
      for (let c = 0; c < 3; c++) rgba[4 * (py * width + px) + c] = rgb[c]! * lamp[c]! * shade;
      rgba[4 * (py * width + px) + 3] = 255;
    }
  blur(rgba, width, height, of.blur_px);
  for (let i = 0; i < rgba.length; i++) if (i % 4 !== 3) rgba[i] = rgba[i]! + of.noise * gauss();
  return { width, height, rgba, corners, plants };
}

/** From a point of the picture to the tray from 0 to 1 each way: the square's projection by its own formula, inverted. */
function planeOf([a, b, c, d]: readonly [XY, XY, XY, XY]): (x: number, y: number) => XY {
  const [dx1, dx2, sx] = [b.x - c.x, d.x - c.x, a.x - b.x + c.x - d.x];
  const [dy1, dy2, sy] = [b.y - c.y, d.y - c.y, a.y - b.y + c.y - d.y];
  const den = dx1 * dy2 - dx2 * dy1;
  const g = (sx * dy2 - dx2 * sy) / den;
  const h = (dx1 * sy - sx * dy1) / den;
  const m = [b.x - a.x + g * b.x, d.x - a.x + h * d.x, a.x, b.y - a.y + g * b.y, d.y - a.y + h * d.y, a.y, g, h, 1];
  const i = [
    m[4]! * m[8]! - m[5]! * m[7]!,
    m[2]! * m[7]! - m[1]! * m[8]!,
    m[1]! * m[5]! - m[2]! * m[4]!,
    m[5]! * m[6]! - m[3]! * m[8]!,
    m[0]! * m[8]! - m[2]! * m[6]!,
    m[2]! * m[3]! - m[0]! * m[5]!,
    m[3]! * m[7]! - m[4]! * m[6]!,
    m[1]! * m[6]! - m[0]! * m[7]!,
    m[0]! * m[4]! - m[1]! * m[3]!,
  ];
  return (x, y) => {
    const w = i[6]! * x + i[7]! * y + i[8]!;
    return { x: (i[0]! * x + i[1]! * y + i[2]!) / w, y: (i[3]! * x + i[4]! * y + i[5]!) / w };
  };
}

/** Blurred by a box each way. */
function blur(rgba: Uint8ClampedArray, width: number, height: number, by_px: number): void {
  const r = Math.round(by_px);
  if (r < 1) return;
  const from = Float32Array.from(rgba);
  const pass = (step: number, lines: number, length: number, across: number): void => {
    for (let l = 0; l < lines; l++)
      for (let c = 0; c < 3; c++) {
        const line = Array.from({ length }, (_, k) => from[4 * (l * across + k * step) + c]!);
        let sum = 0;
        for (let k = -r; k <= r; k++) sum += line[Math.min(length - 1, Math.max(0, k))]!;
        for (let k = 0; k < length; k++) {
          from[4 * (l * across + k * step) + c] = sum / (2 * r + 1);
          sum += line[Math.min(length - 1, k + r + 1)]! - line[Math.max(0, k - r)]!;
        }
      }
  };
  pass(1, height, width, width);
  pass(width, width, height, 1);
  rgba.set(from);
}
