import sharp from 'sharp';
import { requireDay } from '../src/core/calendar/dayNumber.ts';

/** A photo of the demo: of a batch or a place by the seed's numbers, who took it by their place in the list. */
export interface SeedPhoto {
  readonly batch: number | null;
  readonly place: number | null;
  readonly person: number | null;
  readonly day: number;
  readonly note: string;
  readonly svg: string;
}

const [WIDE, HIGH] = [960, 640];

/** The same numbers each time, 0 to 1. */
function* scatter(seed: number): Generator<number, never> {
  for (let state = seed; ;) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    yield state / 2 ** 32;
  }
}

interface Growing {
  readonly rows: number;
  readonly columns: number;
  /** Share of cells with a plant. */
  readonly up: number;
  /** Length of a leaf, in cells. */
  readonly leaf: number;
  readonly leaves: number;
  readonly hue: number;
}

/** A tray from above, drawn: cells, compost with grit in it, and in each a plant with its leaves. */
function trayPicture({ rows, columns, up, leaf, leaves, hue }: Growing): string {
  const random = scatter(2027);
  const next = (): number => random.next().value;
  const [w, h] = [(WIDE - 80) / columns, (HIGH - 70) / rows];
  const cells: string[] = [];
  const plants: string[] = [];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const [x, y] = [40 + (column + 0.5) * w, 35 + (row + 0.5) * h];
      cells.push(
        `<rect x="${x - 0.44 * w}" y="${y - 0.44 * h}" width="${0.88 * w}" height="${0.88 * h}" rx="8" fill="hsl(26 30% ${15 + 5 * next()}%)"/>`,
      );
      for (let i = 0; i < 5; i++) {
        const [gx, gy] = [x + (next() - 0.5) * 0.76 * w, y + (next() - 0.5) * 0.76 * h];
        cells.push(`<circle cx="${gx}" cy="${gy}" r="${1.4 + 1.6 * next()}" fill="hsl(40 14% ${48 + 38 * next()}%)"/>`);
      }
      // Drawn from the same numbers whether it is up or not: a plant stands where it stood the day before.
      const [comes, dx, dy, turn, size] = [next(), next(), next(), next(), next()];
      if (comes > up) continue;
      const [px, py] = [x + (dx - 0.5) * 0.16 * w, y + (dy - 0.5) * 0.16 * h];
      const long = leaf * Math.min(w, h) * (0.8 + 0.4 * size);
      for (let i = 0; i < leaves; i++) {
        const angle = 360 * (turn + i / leaves + (i > 1 ? 0.12 : 0));
        const young = i < 2 ? 1 : 0.82;
        plants.push(
          `<g transform="translate(${px} ${py}) rotate(${angle})"><ellipse cx="${0.55 * long * young}" cy="0" rx="${0.55 * long * young}" ry="${0.27 * long}" fill="hsl(${hue + 8 * size} ${44 + 10 * size}% ${34 + 6 * (i % 2)}%)"/><path d="M0 0H${long * young}" stroke="hsl(${hue - 4} 40% 52%)" stroke-width="1.5"/></g>`,
        );
      }
    }
  return picture(
    `<rect width="${WIDE}" height="${HIGH}" fill="#8d8676"/><rect x="22" y="17" width="${WIDE - 44}" height="${HIGH - 34}" rx="14" fill="#2b2e2f"/>${cells.join('')}${plants.join('')}`,
  );
}

/** A shelf of the chamber with drops on its door, drawn. */
function doorPicture(): string {
  const random = scatter(7);
  const next = (): number => random.next().value;
  const drops = Array.from({ length: 240 }, () => {
    const [x, y, r] = [60 + 840 * next(), 60 + 520 * next(), 2 + 5 * next() ** 2];
    return `<ellipse cx="${x}" cy="${y}" rx="${r}" ry="${1.25 * r}" fill="#f2f6f6" opacity="${0.35 + 0.4 * next()}"/>`;
  });
  return picture(
    `<rect width="${WIDE}" height="${HIGH}" fill="#59605c"/><rect x="40" y="40" width="880" height="560" fill="#8fa3a2"/><g fill="#3c4a44" opacity="0.55"><rect x="70" y="230" width="820" height="16"/><rect x="70" y="430" width="820" height="16"/><rect x="110" y="186" width="240" height="44"/><rect x="420" y="186" width="240" height="44"/><rect x="200" y="386" width="240" height="44"/></g>${drops.join('')}`,
  );
}

const picture = (inside: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDE}" height="${HIGH}" viewBox="0 0 ${WIDE} ${HIGH}">${inside}</svg>`;

const LETTUCE = { rows: 4, columns: 6, hue: 88 } as const;
const day = (iso: string): number => requireDay(iso);

/** Photos of the demo: a tray of lettuce in five days, and the chamber's door. All are drawn. */
export const DEMO_PHOTOS: readonly SeedPhoto[] = [
  { on: '2027-04-03', up: 0.55, leaf: 0.12, leaves: 2, note: 'First morning without the lid' },
  { on: '2027-04-05', up: 0.84, leaf: 0.17, leaves: 2, note: '' },
  { on: '2027-04-07', up: 0.9, leaf: 0.22, leaves: 2, note: '' },
  { on: '2027-04-09', up: 0.9, leaf: 0.3, leaves: 3, note: 'First true leaf' },
  { on: '2027-04-11', up: 0.9, leaf: 0.36, leaves: 4, note: '' },
]
  .map(({ on, note, ...growing }): SeedPhoto => ({
    batch: 32,
    place: null,
    person: 1,
    day: day(on),
    note,
    svg: trayPicture({ ...LETTUCE, ...growing }),
  }))
  .concat({
    batch: null,
    place: 1,
    person: 1,
    day: day('2027-04-10'),
    note: 'Drops on the door: vent it ten minutes',
    svg: doorPicture(),
  });

/** A drawn photo as a camera would have it. */
export async function photographed({ svg }: SeedPhoto): Promise<{ jpeg: Buffer; width: number; height: number }> {
  const { data, info } = await sharp(Buffer.from(svg))
    .blur(0.7)
    .jpeg({ quality: 76 })
    .toBuffer({ resolveWithObject: true });
  return { jpeg: data, width: info.width, height: info.height };
}
