import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { computeThreshold, encodePng, fromMask, Image, Mask } from 'image-js';
import { matrix, lusolve } from 'mathjs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { seededRandom } from '../../src/core/numerics/random.ts';
import { componentsOf } from '../../src/core/vision/components.ts';
import { countCells, USUAL, type Settled } from '../../src/core/vision/countCells.ts';
import { findCorners } from '../../src/core/vision/corners.ts';
import { homographyOf, seenAt, straighten } from '../../src/core/vision/homography.ts';
import { otsu } from '../../src/core/vision/otsu.ts';
import { countPan } from '../../src/core/vision/pan.ts';
import { settledBy, type Correction } from '../../src/core/vision/settle.ts';
import type { Corners } from '../../src/core/vision/picture.ts';
import { builtCalculator, type Calculator } from '../support/calc.ts';
import { madeUpPhoto, type PhotoOf } from '../support/madeUpPhotos.ts';

/** The parts of counting a tray in a picture against a general image library (npm image-js) and a linear solver (npm mathjs). */
describe('a plane seen askew', () => {
  const corners = (random: () => number): Corners =>
    [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ].map(([x, y]) => ({ x: 100 * x! + 30 * random(), y: 100 * y! + 30 * random() })) as unknown as Corners;

  it('is the solution of the eight equations of the direct linear transform', () => {
    const random = seededRandom(11);
    for (let run = 0; run < 50; run++) {
      const [from, to] = [corners(random), corners(random)];
      const h = homographyOf(from, to)!;
      const rows = from.flatMap((p, i) => {
        const q = to[i]!;
        return [
          [p.x, p.y, 1, 0, 0, 0, -p.x * q.x, -p.y * q.x],
          [0, 0, 0, p.x, p.y, 1, -p.x * q.y, -p.y * q.y],
        ];
      });
      const solved = lusolve(
        matrix(rows),
        to.flatMap(({ x, y }) => [x, y]),
      ).valueOf() as number[][];
      solved.forEach(([value], k) => expect(h[k]!).toBeCloseTo(value!, 7));
      from.forEach((p, i) => {
        expect(seenAt(h, p).x).toBeCloseTo(to[i]!.x, 7);
        expect(seenAt(h, p).y).toBeCloseTo(to[i]!.y, 7);
      });
    }
  });

  it('has none where three corners lie in a line, and a straight picture stays as it is', () => {
    const line = [0, 1, 2, 3].map((i) => ({ x: 10 * i, y: i === 3 ? 40 : 0 })) as unknown as Corners;
    expect(homographyOf(line, corners(seededRandom(1)))).toBeNull();
    expect(homographyOf(corners(seededRandom(1)), line)).toBeNull();
    const rgba = new Uint8ClampedArray(4 * 12 * 9).map((_, i) => (i * 37) % 251);
    const whole: Corners = [
      { x: 0, y: 0 },
      { x: 12, y: 0 },
      { x: 12, y: 9 },
      { x: 0, y: 9 },
    ];
    const same = straighten({ width: 12, height: 9, rgba }, whole, 12, 9)!;
    // Within, each pixel is looked at in its quarters: the mean of a bilinear surface about its middle.
    const at = (p: { rgba: Uint8ClampedArray }, x: number, y: number) => p.rgba[4 * (y * 12 + x)]!;
    const flat = straighten({ width: 12, height: 9, rgba: rgba.map((_, i) => (i % 4 === 0 ? 90 : 40)) }, whole, 12, 9)!;
    expect(at(flat, 5, 4)).toBe(90);
    expect(same.width * same.height).toBe(108);
  });
});

describe('Otsu', () => {
  it('parts histograms where the library does', () => {
    const random = seededRandom(5);
    for (let run = 0; run < 40; run++) {
      const [a, b] = [40 + 60 * random(), 130 + 80 * random()];
      const data = Uint8Array.from({ length: 900 }, () =>
        Math.min(255, Math.max(0, (random() < 0.3 ? b : a) + 18 * (random() + random() + random() - 1.5))),
      );
      const counts = new Uint32Array(256);
      for (const value of data) counts[value]!++;
      const image = new Image(30, 30, { data, colorModel: 'GREY' });
      const theirs = computeThreshold(image, { algorithm: 'otsu' });
      // Between the two heaps are values nobody has: any of them parts the same.
      const below = (line: number) => data.filter((value) => value <= line).length;
      expect(below(otsu(counts))).toBe(below(theirs));
    }
    expect(otsu([0, 5, 0])).toBe(-1);
  });
});

describe('what hangs together', () => {
  it('is what the library finds, in number and size', () => {
    const random = seededRandom(7);
    for (let run = 0; run < 30; run++) {
      const [width, height] = [20 + Math.floor(20 * random()), 15 + Math.floor(20 * random())];
      const data = Uint8Array.from({ length: width * height }, () => (random() < 0.38 ? 1 : 0));
      const own = componentsOf(data, width, height).blobs.map(({ area }) => area);
      const rois = fromMask(new Mask(width, height, { data }), { allowCorners: true }).getRois({ kind: 'white' });
      const byNumber = (a: number, b: number) => a - b;
      expect(own.sort(byNumber)).toEqual(rois.map(({ surface }) => surface).sort(byNumber));
    }
  });
});

const plain: Omit<PhotoOf, 'random'> = {
  rows: 5,
  columns: 8,
  up: 0.8,
  twice: 0.05,
  leaf: 0.24,
  lamp: 'day',
  noise: 5,
  blur_px: 1,
  shadow: false,
  width: 460,
};

describe('a drawn tray', () => {
  const count = (of: Partial<PhotoOf>, seed: number) => {
    const photo = madeUpPhoto({ ...plain, ...of, random: seededRandom(seed) });
    const corners = findCorners(photo, plain.rows, plain.columns);
    const counted = corners && countCells(photo, corners, plain.rows, plain.columns);
    return { photo, corners, counted, up: photo.plants.filter((n) => n > 0).length };
  };

  it.each([
    ['just up', { leaf: 0.12 }],
    ['under warm lamps with a shadow across', { lamp: 'warm', shadow: true, leaf: 0.18 }],
    ['under pink lamps', { lamp: 'pink' }],
    ['leaves that touch', { leaf: 0.5 }],
  ] as const)('is counted within a plant, %s', (_, of) => {
    for (const seed of [1]) {
      const { counted, up, photo } = count(of, seed);
      expect(Math.abs(counted!.up - up)).toBeLessThanOrEqual(1);
      const wrong = counted!.cells.filter(
        ({ kind, plants }, i) => kind !== 'doubtful' && plants > 0 !== photo.plants[i]! > 0,
      );
      expect(wrong.length).toBeLessThanOrEqual(1);
      expect(counted!.doubtful).toBeLessThanOrEqual(3);
      expect(counted!.doubts).toEqual([]);
    }
  });

  it('with none up has none, and one that is not there is not found', () => {
    const { counted } = count({ up: 0 }, 3);
    expect(counted).toMatchObject({ up: 0, empty: 40, doubtful: 0 });
    const rgba = new Uint8ClampedArray(4 * 300 * 200).map((_, i) => (i % 4 === 3 ? 255 : 120 + ((i * 7) % 23)));
    expect(findCorners({ width: 300, height: 200, rgba }, 5, 8)).toBeNull();
  });

  it('finds the corners within a thirtieth of its width', () => {
    for (const seed of [4, 5]) {
      const { photo, corners } = count({}, seed);
      corners!.forEach(({ x, y }, i) => {
        expect(Math.hypot(x - photo.corners[i]!.x, y - photo.corners[i]!.y)).toBeLessThan(photo.width / 30);
      });
    }
  });

  it('says why a picture is not to be trusted: too dark, glare, nothing sharp, covered from edge to edge', () => {
    const { photo } = count({}, 8);
    const doubtsOf = (change: (value: number, i: number) => number) =>
      countCells(
        { ...photo, rgba: photo.rgba.map((value, i) => (i % 4 === 3 ? 255 : change(value, i))) },
        photo.corners,
        plain.rows,
        plain.columns,
      )!.doubts;
    expect(doubtsOf((value) => value * 0.3)).toContain('dark');
    expect(doubtsOf((value, i) => ((i / 4) % photo.width < photo.width / 3 ? 255 : value))).toContain('glare');
    expect(doubtsOf((_, i) => [70, 130, 50][i % 4] ?? 0)).toContain('covered');
    const { photo: soft } = count({ blur_px: 9, noise: 0 }, 8);
    expect(countCells(soft, soft.corners, plain.rows, plain.columns)!.doubts).toContain('blurred');
  });
});

describe('corrections', () => {
  const none = { cropId: 1, cells: 104, up: 80, missed: 0, falseUp: 0, merged: 0, split: 0 };
  it('move the lines where they point, less by other crops, and never far', () => {
    expect(settledBy([], 1)).toEqual(USUAL);
    expect(settledBy([none, none], 1)).toEqual(USUAL);
    const missed = settledBy(Array(3).fill({ ...none, missed: 6 }), 1);
    expect(missed.shift).toBeLessThan(-0.02);
    expect(missed.least_frac).toBeLessThan(USUAL.least_frac);
    expect(settledBy(Array(3).fill({ ...none, missed: 6, cropId: 2 }), 1).shift).toBeGreaterThan(missed.shift);
    expect(settledBy(Array(40).fill({ ...none, falseUp: 104 }), 1).shift).toBeLessThanOrEqual(0.05 + 1e-12);
    expect(settledBy([{ ...none, merged: 8 }], 1).twice).toBeGreaterThan(USUAL.twice);
    expect(settledBy([{ ...none, split: 8 }], 1).twice).toBeLessThan(USUAL.twice);
  });

  it('bring the counter nearer on trays of a crop that comes up smaller than usual', () => {
    const tray = (seed: number) =>
      madeUpPhoto({ ...plain, leaf: 0.055, noise: 3, up: 0.8, twice: 0, random: seededRandom(seed) });
    const missedOn = (photo: ReturnType<typeof tray>, settled: Settled) => {
      const { cells } = countCells(photo, photo.corners, plain.rows, plain.columns, settled)!;
      return cells.filter(({ plants }, i) => plants === 0 && photo.plants[i]! > 0).length;
    };
    const corrected = [21, 22, 23, 24].reduce<Correction[]>((all, seed) => {
      const missed = missedOn(tray(seed), settledBy(all, 1));
      return [...all, { ...none, cells: plain.rows * plain.columns, missed }];
    }, []);
    const sum = (settled: Settled) => [31, 32].reduce((n, seed) => n + missedOn(tray(seed), settled), 0);
    expect(sum(USUAL)).toBeGreaterThan(0);
    expect(sum(settledBy(corrected, 1))).toBeLessThan(sum(USUAL));
  });
});

describe('a drawn pan', () => {
  /** A pan without cells: seedlings anywhere, drawn as discs of two leaves. */
  function pan(n: number, seed: number) {
    const random = seededRandom(seed);
    const [width, height] = [900, 620];
    const rgba = new Uint8ClampedArray(4 * width * height);
    for (let i = 0; i < width * height; i++) {
      const inside = i % width > 50 && i % width < 850 && i / width > 50 && i / width < 570;
      const noise = 14 * (random() - 0.5);
      const [r, g, b] = inside ? [62, 46, 34] : [214, 206, 190];
      rgba.set([r! + noise, g! + noise, b! + noise, 255], 4 * i);
    }
    for (let k = 0; k < n; k++) {
      const [cx, cy, turn] = [70 + 760 * random(), 70 + 480 * random(), Math.PI * random()];
      for (const side of [-1, 1])
        for (let y = -12; y <= 12; y++)
          for (let x = -12; x <= 12; x++) {
            const u = x * Math.cos(turn) + y * Math.sin(turn) - side * 5;
            const v = -x * Math.sin(turn) + y * Math.cos(turn);
            if ((u / 6) ** 2 + (v / 3.2) ** 2 > 1) continue;
            rgba.set([70, 150, 52, 255], 4 * (Math.round(cy + y) * width + Math.round(cx + x)));
          }
    }
    const corners: Corners = [
      { x: 50, y: 50 },
      { x: 850, y: 50 },
      { x: 850, y: 570 },
      { x: 50, y: 570 },
    ];
    return { picture: { width, height, rgba }, corners };
  }

  it.each([20, 80, 200])('of %i seedlings is counted within three of its stated errors', (n) => {
    for (const seed of [1, 2, 3]) {
      const { picture, corners } = pan(n, seed);
      const { up, error } = countPan(picture, corners, 800 / 520)!;
      expect(error).toBeLessThan(0.1 * n + 2);
      expect(Math.abs(up - n)).toBeLessThanOrEqual(Math.max(2, 3 * error));
    }
  });

  it('says when plants can no longer be told apart', () => {
    const { picture, corners } = pan(1500, 4);
    expect(countPan(picture, corners, 800 / 520)!.doubts).toContain('many-doubtful');
    expect(countPan(picture, [corners[0], corners[2], corners[1], corners[3]])).toBeNull();
  });
});

describe('a picture file on the command line', () => {
  const dir = mkdtempSync(join(tmpdir(), 'crook-photo.'));
  const file = join(dir, 'tray.png');
  let calculator: Calculator;
  beforeAll(() => (calculator = builtCalculator()));
  afterAll(() => {
    calculator.end();
    rmSync(dir, { recursive: true });
  });
  const count = (...more: string[]) => calculator.run('count', '--rows', '4', '--columns', '6', '--json', ...more);

  it('is counted as its pixels are, corners found or named; what is no picture or no tray is said', () => {
    const photo = madeUpPhoto({
      ...{ rows: 4, columns: 6, up: 0.7, twice: 0, leaf: 0.2, lamp: 'day', noise: 3, blur_px: 1, shadow: false },
      random: seededRandom(9),
      width: 420,
    });
    const { width, height } = photo;
    writeFileSync(file, encodePng(new Image(width, height, { data: photo.rgba, colorModel: 'RGBA' })));
    const drawn = Array.from({ length: 4 }, (_, row) =>
      photo.plants
        .slice(6 * row, 6 * row + 6)
        .map((n) => (n > 0 ? '1' : '.'))
        .join(''),
    );
    const corners = photo.corners.map(({ x, y }) => `${Math.round(x)},${Math.round(y)}`).join(' ');
    for (const more of [[], ['--corners', corners]]) {
      const { stdout, stderr } = count('--photo', file, ...more);
      expect(stderr).toBe('');
      expect((JSON.parse(stdout) as { rows: string[] }).rows).toEqual(drawn);
    }
    expect(count('--photo', join(dir, 'none.png')).stderr).toContain('cannot be read as a picture');
    expect(count('--photo', file, '--corners', '1,2 3').stderr).toContain('needs four points');
    // In a line, crossed, and the wrong way round.
    for (const none of ['1,1 2,2 3,3 9,1', '10,10 90,90 90,10 10,90', '10,10 10,90 90,90 90,10'])
      expect(count('--photo', file, '--corners', none).stderr, none).toContain('clockwise');
    expect(count().stderr).toContain('--photo needs a file');
  });
});
