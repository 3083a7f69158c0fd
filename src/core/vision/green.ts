import { otsu } from './otsu.ts';
import type { Picture } from './picture.ts';

/** How a lamp colours what it falls on: what each colour is multiplied by to be seen as under white light. */
export interface Balance {
  readonly red: number;
  readonly green: number;
  readonly blue: number;
}

/** Power of the mean by which light is estimated: between grey-world (1) and the brightest (infinite). */
const NORM = 6;
const POWERS = Float64Array.from({ length: 256 }, (_, level) => (level / 255) ** NORM);
const MOST_gain = 2;

/** What is plainly green, as it was taken, says nothing of the lamp; with less than this left of a picture nothing is balanced. */
const PLAINLY_green = 0.15;
const LEAST_left = 0.1;

/** White balance by shades of grey (Finlayson & Trezzi 2004, Color Imaging Conf. 12, 37-41; from memory), of all but leaves. */
export function balanceOf({ rgba, width, height }: Picture): Balance {
  const sums = [0, 0, 0];
  let n = 0;
  for (let i = 0; i < 4 * width * height; i += 4) {
    const sum = rgba[i]! + rgba[i + 1]! + rgba[i + 2]!;
    if (3 * rgba[i + 1]! - sum > PLAINLY_green * sum) continue;
    n++;
    for (let c = 0; c < 3; c++) sums[c]! += POWERS[rgba[i + c]!]!;
  }
  if (n < LEAST_left * width * height) return { red: 1, green: 1, blue: 1 };
  const [red, green, blue] = sums.map((sum) => (sum / n) ** (1 / NORM) || 1e-3) as [number, number, number];
  const grey = (red + green + blue) / 3;
  const gain = (of: number): number => Math.min(MOST_gain, Math.max(1 / MOST_gain, grey / of));
  return { red: gain(red), green: gain(green), blue: gain(blue) };
}

/** Where excess green is told by steps of one in a hundred, from -0.5 to 1. */
const STEPS = 150;
const LOWEST = -0.5;
const stepOf = (excess: number): number => Math.min(STEPS - 1, Math.max(0, Math.floor((excess - LOWEST) * 100)));
/** Less is never a leaf, more always one: common practice for excess green, no source. */
const LEAST_excess = 0.08;
const MOST_excess = 0.22;
/** Darker than this a pixel has no colour that could be told. */
const LEAST_light = 24;

export interface Green {
  /** 1 where something green is. */
  readonly mask: Uint8Array;
  /** Excess green from which it was taken for a leaf. */
  readonly threshold: number;
  /** How far green and not green lie apart, in excess green: little is doubtful. */
  readonly apart: number;
}

/**
 * What is green in a picture: excess green 2g - r - b of the shares of the colours (Woebbecke et al. 1995, Trans. ASAE 38, 259-269;
 * from memory) after the lamps' colour is taken out, parted by Otsu within sensible bounds.
 * @param shift by how much this house's corrections have moved the threshold
 */
export function greenOf(picture: Picture, balance: Balance, shift = 0): Green {
  const { width, height } = picture;
  const rgba = smoothed(picture);
  const n = width * height;
  const excess = new Float32Array(n);
  const counts = new Uint32Array(STEPS);
  for (let i = 0; i < n; i++) {
    const red = balance.red * rgba[4 * i]!;
    const green = balance.green * rgba[4 * i + 1]!;
    const blue = balance.blue * rgba[4 * i + 2]!;
    const sum = red + green + blue;
    excess[i] = sum < 3 * LEAST_light ? LOWEST : (2 * green - red - blue) / sum;
    if (sum >= 3 * LEAST_light) counts[stepOf(excess[i]!)]!++;
  }
  const parted = LOWEST + (otsu(counts) + 1) / 100;
  const threshold = Math.min(MOST_excess, Math.max(LEAST_excess, parted)) + shift;
  const mask = new Uint8Array(n);
  let [over, overSum, under, underSum] = [0, 0, 0, 0];
  for (let i = 0; i < n; i++) {
    const value = excess[i]!;
    if (value > threshold) {
      mask[i] = 1;
      over++;
      overSum += value;
    } else if (value > LOWEST) {
      under++;
      underSum += value;
    }
  }
  return { mask, threshold, apart: over === 0 || under === 0 ? 0 : overSum / over - underSum / under };
}

/** Each pixel the mean of itself and its eight neighbours: a camera's noise has colours of its own where there is little light. */
function smoothed({ rgba, width, height }: Picture): Float32Array {
  const along = new Float32Array(rgba.length);
  const both = new Float32Array(rgba.length);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = 4 * (y * width + x);
      const before = x === 0 ? 0 : 4;
      const after = x === width - 1 ? 0 : 4;
      for (let c = i; c < i + 3; c++) along[c] = (rgba[c - before]! + rgba[c]! + rgba[c + after]!) / 3;
    }
  const wide = 4 * width;
  for (let y = 0; y < height; y++) {
    const above = y === 0 ? 0 : wide;
    const below = y === height - 1 ? 0 : wide;
    for (let i = y * wide; i < (y + 1) * wide; i++) both[i] = (along[i - above]! + along[i]! + along[i + below]!) / 3;
  }
  return both;
}
