import { seededRandom } from '../src/core/numerics/random.ts';
import { countCells } from '../src/core/vision/countCells.ts';
import { findCorners } from '../src/core/vision/corners.ts';
import { madeUpPhoto } from '../tests/support/madeUpPhotos.ts';
import { row, type Figures } from './form.ts';

/** A part of the trays, for a quick look: VISION=0.1. */
const TRAYS = Math.max(15, Math.round(300 * Number(process.env['VISION'] ?? 1)));
const [ROWS, COLUMNS] = [8, 13];
/** A phone is taken to be four times slower. */
const SLOWED = 4;

/** The count of a tray from a picture, on drawn trays: no photographs were at hand. */
export default function bench(): Figures {
  const random = seededRandom(2027);
  const [errors, shares, times]: [number[], number[], number[]] = [[], [], []];
  let [doubtful, cells, wrong, missed, doubled, twice] = [0, 0, 0, 0, 0, 0];
  for (let i = 0; i < TRAYS; i++) {
    const photo = madeUpPhoto({
      rows: ROWS,
      columns: COLUMNS,
      up: 0.55 + 0.1 * (i % 5),
      twice: 0.04,
      leaf: [0.11, 0.17, 0.25, 0.36, 0.5][Math.floor(i / 5) % 5]!,
      lamp: (['day', 'warm', 'pink'] as const)[i % 3]!,
      noise: 3 + 6 * random(),
      blur_px: i % 4 === 0 ? 2 : 1,
      shadow: i % 2 === 0,
      random,
    });
    const began = process.cpuUsage();
    const corners = findCorners(photo, ROWS, COLUMNS);
    const counted = corners && countCells(photo, corners, ROWS, COLUMNS);
    const { user, system } = process.cpuUsage(began);
    times.push((user + system) / 1000);
    if (!counted) {
      missed++;
      continue;
    }
    const up = photo.plants.filter((n) => n > 0).length;
    errors.push(counted.up - up);
    shares.push(Math.abs(counted.up - up) / (ROWS * COLUMNS));
    doubtful += counted.doubtful;
    cells += counted.cells.length;
    twice += photo.plants.filter((n) => n > 1).length;
    counted.cells.forEach(({ kind, plants }, k) => {
      if (kind !== 'doubtful' && plants > 0 !== photo.plants[k]! > 0) wrong++;
      if (kind === 'doubled' && photo.plants[k]! > 1) doubled++;
    });
  }
  const at = (values: number[], share: number): number =>
    [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))]!;
  return {
    bench: 'vision',
    method: `${TRAYS} drawn trays of ${ROWS} by ${COLUMNS} cells in pictures of 900 pixels (tests/support/madeUpPhotos.ts, written apart from the counter): five stages, five densities, three lamps, shadows, noise, blur, askew; corners found by itself. No real photographs were at hand. Time: of this machine's processor, times ${SLOWED} for a phone.`,
    rows: [
      row('error of the count, median', Math.abs(at(errors, 0.5)), 'plants', '<= 0'),
      row('error of the count, 95% of trays', 100 * at(shares, 0.95), '% of sown', '<= 3'),
      row('doubtful cells', (100 * doubtful) / cells, '%', '<= 5'),
      row('cells told wrongly without a doubt', (100 * wrong) / cells, '%', '<= 0.5'),
      row('trays whose corners were not found', (100 * missed) / TRAYS, '%', '<= 2'),
      row('doubled cells told as such', (100 * doubled) / Math.max(1, twice), '%', '>= 60'),
      row('time of a count on a phone, median', (SLOWED * at(times, 0.5)) / 1000, 's', '<= 1.5'),
    ],
  };
}
